import { type ComponentType, type LazyExoticComponent, lazy, type ReactNode } from 'react'
import type { WorkOrderView } from '../api/types'
import { count } from '../parts/words'
import type { JobScreen } from './JobContext'

export type StageId =
  | 'visit'
  | 'wants'
  | 'stairs'
  | 'addresses'
  | 'air'
  | 'options'
  | 'work'
  | 'fault'
  | 'handover'

const icon = (path: string) => (
  <svg width="22" height="22" viewBox="0 0 22 22" aria-hidden="true">
    <path
      d={path}
      fill="none"
      stroke="currentColor"
      strokeWidth="1.8"
      strokeLinecap="round"
      strokeLinejoin="round"
    />
  </svg>
)

export type Stage = {
  id: StageId
  name: string
  icon: ReactNode
  /** Fetched when it is first looked at, and in the quiet after that. */
  Page: LazyExoticComponent<ComponentType>
  load: () => Promise<unknown>
  /** What is open there. The order is told once somebody has looked at it: writing it is the longest computation there is. */
  note: (job: JobScreen, order?: WorkOrderView) => string
  isOpen: (job: JobScreen) => boolean
}

const page = (load: () => Promise<{ default: ComponentType }>) => ({ load, Page: lazy(load) })

/** The stages that are built, in the order of the work. */
export const stages: Stage[] = [
  {
    id: 'visit',
    name: 'Visit',
    ...page(() => import('../views/visit/VisitPage').then((it) => ({ default: it.VisitPage }))),
    icon: icon('M5 4v14M5 5h3M5 11h3M5 17h3M11 5h7M11 11h7M11 17h5'),
    note: ({ job }) => {
      const house = job.found.document
      const boxes = (house.devices ?? []).length
      return boxes === 0 ? 'not begun' : count(boxes + (house.endpoints ?? []).length, 'entry', 'entries')
    },
    isOpen: ({ job }) => (job.found.document.devices ?? []).length === 0,
  },
  {
    id: 'wants',
    name: 'Wants',
    ...page(() => import('../views/wants/WantsPage').then((it) => ({ default: it.WantsPage }))),
    icon: icon('M4 6h2M4 11h2M4 16h2M9 6h9M9 11h9M9 16h6'),
    note: ({ house }) => {
      const failing = house.verdict.wants - house.verdict.wantsHeld
      return house.verdict.wants === 0 ? 'none yet' : failing ? `${failing} not met` : 'all hold'
    },
    isOpen: ({ house }) => house.verdict.wantsHeld < house.verdict.wants,
  },
  {
    id: 'stairs',
    name: 'Stairs',
    ...page(() => import('../views/stairs/StairsPage').then((it) => ({ default: it.StairsPage }))),
    icon: icon('M3 5h6v6h6v6h4M3 5v-1M19 17v1'),
    note: ({ house: { verdict, document } }) =>
      (document.devices ?? []).length === 0
        ? 'no box yet'
        : verdict.faults
          ? count(verdict.faults, 'fault')
          : verdict.cautions
            ? count(verdict.cautions, 'caution')
            : 'no faults',
    isOpen: ({ house }) => house.verdict.faults > 0,
  },
  {
    id: 'addresses',
    name: 'Addresses',
    ...page(() => import('../views/addresses/AddressesPage').then((it) => ({ default: it.AddressesPage }))),
    icon: icon('M3 8h16v6H3zM7 8v3M11 8v3M15 8v3'),
    note: ({ house }) => count(house.stairs.treads.flatMap((tread) => tread.subnets).length, 'subnet'),
    isOpen: () => false,
  },
  {
    id: 'air',
    name: 'Air',
    ...page(() => import('../views/air/AirPage').then((it) => ({ default: it.AirPage }))),
    icon: icon('M3 12.5q2-4 4 0M9 12.5q2-4 4 0M15 12.5q2-4 4 0M3 7v9M19 7v9'),
    note: ({ house }) => {
      const n = house.findings.filter((finding) => finding.theme === 'air').length
      return n > 0
        ? count(n, 'finding')
        : (house.document.devices ?? []).length === 0
          ? 'no box yet'
          : 'quiet'
    },
    isOpen: ({ house }) =>
      house.findings.some((finding) => finding.theme === 'air' && finding.severity === 'fault'),
  },
  {
    id: 'options',
    name: 'Options',
    ...page(() => import('../views/options/OptionsPage').then((it) => ({ default: it.OptionsPage }))),
    icon: icon('M3 5h5v13H3zM9.5 5h4v13h-4zM15 5h4v13h-4z'),
    note: ({ job }) => (job.plan.deeds > 0 ? 'one taken' : 'none taken'),
    isOpen: () => false,
  },
  {
    id: 'work',
    name: 'Work order',
    ...page(() => import('../views/work-order/WorkOrderPage').then((it) => ({ default: it.WorkOrderPage }))),
    icon: icon('M7 4h8v3H7zM5 5H4v14h14V5h-1M8 12l2 2 4-4'),
    note: ({ job }, order) => {
      if (job.plan.deeds === 0) return 'nothing planned'
      if (!order) return 'planned'
      const done = new Set(
        order.ticks.filter((tick) => tick.outcome === 'as-said').map((tick) => tick.stepKey),
      )
      const open = order.order.steps.filter((step) => !done.has(step.key)).length
      return open === 0 ? 'all done' : `${count(open, 'step')} open`
    },
    isOpen: () => false,
  },
  {
    id: 'fault',
    name: 'Fault finding',
    ...page(() => import('../views/fault/FaultPage').then((it) => ({ default: it.FaultPage }))),
    icon: icon('M10 3a6 6 0 1 0 0 12a6 6 0 0 0 0-12M14.5 13.5L19 18M10 6v3.5M10 12v.1'),
    note: () => 'when something fails',
    isOpen: () => false,
  },
  {
    id: 'handover',
    name: 'Handover',
    ...page(() => import('../views/handover/HandoverPage').then((it) => ({ default: it.HandoverPage }))),
    icon: icon('M6 3h8l3 3v13H6zM14 3v3h3M9 10h5M9 13h5M9 16h3'),
    note: () => 'record, cards, files',
    isOpen: () => false,
  },
]

/** Does something while nobody waits. */
export function inQuiet(then: () => void) {
  const idle = window.requestIdleCallback ?? ((run: () => void) => setTimeout(run, 300))
  idle(then)
}

/** Fetches the other stages while nobody waits, so that the next one is there at once. */
export function fetchStagesInQuiet() {
  inQuiet(() => {
    for (const stage of stages) void stage.load()
    void import('../views/stairs/panels').then((panels) => panels.fetchPanels())
  })
}
