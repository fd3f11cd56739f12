import { Box, Grid, Spinner, Text } from '@chakra-ui/react'
import { usePrefetchQuery, useQuery } from '@tanstack/react-query'
import { lazy, Suspense, useEffect } from 'react'
import { Outlet, useMatch, useNavigate, useParams } from 'react-router'
import { ApiProblem } from '../api/client'
import { job as jobQuery, kitShelf } from '../api/queries'
import { cardOf, focusOn } from '../parts/focusOn'
import { Press } from '../parts/Press'
import { useBusy } from '../parts/useBusy'
import { DraftScope } from '../parts/useDraft'
import { nameOf } from '../parts/words'
import { useHand } from '../state/hand'
import { useMarks } from '../state/marks'
import { isGuest } from '../state/thisPage'
import { useTraced } from '../state/trace'
import { Announcer } from './Announcer'
import { JobProvider, useJob, useTools } from './JobContext'
import { LooksOnly } from './LooksOnly'
import { NotFound } from './NotFound'
import { PrintedHead } from './PrintedHead'
import { RunningTimer } from './RunningTimer'
import { SaveState } from './SaveState'
import { SkipLinks } from './SkipLinks'
import { Spine } from './Spine'
import { isSheet, type SheetName, sheets } from './sheets'
import { fetchStagesInQuiet, type StageId, stages } from './stages'
import type { StageTools } from './stageTools'
import { TopLine } from './TopLine'
import { useProven } from './useFixes'
import { useKeys } from './useKeys'
import { usePlace } from './usePlace'
import { useProvisions } from './useProvisions'
import { VerdictColumn } from './VerdictColumn'

const OptionsAside = lazy(() =>
  import('../views/options/OptionsAside').then((it) => ({ default: it.OptionsAside })),
)
const RehearsalAside = lazy(() =>
  import('../views/work-order/RehearsalAside').then((it) => ({ default: it.RehearsalAside })),
)
const CarriedSheet = lazy(() => import('./CarriedSheet').then((it) => ({ default: it.CarriedSheet })))
const FaultAside = lazy(() => import('../views/fault/FaultAside').then((it) => ({ default: it.FaultAside })))
const VisitAside = lazy(() => import('../views/visit/VisitAside').then((it) => ({ default: it.VisitAside })))

export function JobPage() {
  const { id = '' } = useParams()
  const { data, error, refetch } = useQuery(jobQuery(id))
  useEffect(fetchStagesInQuiet, [])
  // At hand before the sheet that asks for it: fields that come later would move its buttons under the finger.
  usePrefetchQuery(kitShelf)
  useProvisions(data)
  // What is in the hand or marked is of this house.
  useEffect(
    () => () => {
      useHand.getState().hold(null)
      useMarks.getState().clear()
    },
    [id],
  )
  if (error instanceof ApiProblem && error.status === 404) return <NotFound what="There is no such job." />
  if (!data)
    return (
      <Box as="main" p="48px">
        {error ? (
          <>
            <Text mb="12px">{error.message}</Text>
            <Press onClick={() => refetch()}>Try again</Press>
          </>
        ) : (
          <Spinner color="spruce" aria-label="Loading the job" />
        )}
      </Box>
    )
  return (
    <JobProvider job={data}>
      <Frame />
    </JobProvider>
  )
}

function OpenSheet({ name, onClose }: { name: SheetName; onClose: () => void }) {
  const { Body } = sheets[name]
  return <Body onClose={onClose} />
}

function Frame() {
  const asked = useMatch('/job/:id/:stage')?.params.stage
  // None where the address names one that there is not.
  const stage = stages.find((one) => one.id === (asked ?? 'stairs'))
  const screen = useJob()
  const { job, side, house } = screen
  const tools = useTools()
  const navigate = useNavigate()
  const { params, turn } = usePlace()
  const asOpen = params.get('open')
  const open = isSheet(asOpen) ? asOpen : null
  const hold = useHand((hand) => hand.hold)
  const show = (sheet: SheetName) => () => turn({ open: sheet })
  const close = () => turn({ open: null })
  const fixing = useBusy()
  const proven = useProven()

  const on = open
    ? sheets[open].title
    : screen.selected
      ? nameOf(house.document, screen.selected)
      : (stage?.name ?? 'No such stage')
  useEffect(() => {
    document.title = `${on} · ${job.name}${side === 'planned' ? ', planned' : ''} · Altrin`
  }, [on, job.name, side])

  const go = (to: StageId) => () => {
    const kept = new URLSearchParams(params)
    kept.delete('open')
    void navigate({ pathname: `/job/${job.id}/${to}`, search: kept.toString() })
    // Whoever goes by key goes on at the work, also when he is there already.
    focusOn('#sheet')
  }
  useKeys({
    stages: stages.map((one) => go(one.id)),
    side: () => tools.show(side === 'found' ? 'planned' : 'found'),
    fix: () => {
      void fixing.run(async () => {
        const fix = await proven.first()
        if (fix) await tools.plan(fix)
      })
    },
    undo: () => void tools.back(),
    redo: () => void tools.forth(),
    find: show('find'),
    box: show('add'),
    paste: show('paste'),
    reach: show('reach'),
    // Where there is no room for it beside the stage it is a sheet.
    verdict: () =>
      document.getElementById('verdict')?.checkVisibility() ? focusOn('#verdict') : show('verdict')(),
    trace: () => useTraced.getState().trace(screen.selected),
    cable: () => document.activeElement?.closest<HTMLElement>('[data-socket]')?.click(),
    list: show('keys'),
    escape: () => {
      const chosen = screen.selected
      hold(null)
      useMarks.getState().clear()
      tools.select(null)
      // Back to what the panel was about, where the person came from.
      if (chosen && document.activeElement?.closest('[data-panel]')) focusOn(cardOf(chosen))
    },
  })

  return (
    <Grid
      h="100dvh"
      templateAreas={{
        base: '"top" "state" "sheet" "spine"',
        md: '"top top top" "state state state" "spine sheet verdict"',
      }}
      templateColumns={{
        base: 'minmax(0, 1fr)',
        md: 'var(--chakra-sizes-spine) minmax(0, 1fr) var(--chakra-sizes-verdict)',
      }}
      templateRows={{ base: 'auto auto minmax(0, 1fr) auto', md: 'auto auto minmax(0, 1fr)' }}
      className="frame"
    >
      <SkipLinks />
      {stage?.id !== 'handover' && <PrintedHead stage={stage?.name ?? ''} />}
      <TopLine
        onVerdict={show('verdict')}
        onLog={show('log')}
        onFind={show('find')}
        onPhone={show('phone')}
      />
      <Box gridArea="state">
        <LooksOnly />
        <SaveState />
        <RunningTimer isAtWork={stage?.id === 'work'} />
      </Box>
      <Announcer />
      <Spine stage={stage?.id} onKeys={show('keys')} onFind={show('find')} />
      <DraftScope.Provider value={{ place: `${job.id}/${side}` }}>
        <Box
          as="main"
          id="sheet"
          gridArea="sheet"
          overflow="auto"
          position="relative"
          tabIndex={-1}
          className="sheet"
        >
          <Suspense fallback={<Spinner m="48px" color="spruce" aria-label="Loading the stage" />}>
            <Outlet
              context={
                {
                  addBox: show('add'),
                  showReach: show('reach'),
                  showPaste: show('paste'),
                } satisfies StageTools
              }
            />
          </Suspense>
        </Box>
      </DraftScope.Provider>
      <Box
        as="aside"
        id="verdict"
        aria-label="Verdict"
        gridArea="verdict"
        hideBelow="md"
        borderLeft="1px solid"
        borderColor="hairline"
        overflow="auto"
        tabIndex={0}
        className={stage?.id === 'handover' ? 'no-print' : 'verdict-column'}
      >
        {stage?.id === 'visit' && (
          <Suspense>
            <VisitAside />
          </Suspense>
        )}
        {stage?.id === 'options' && (
          <Suspense>
            <OptionsAside />
          </Suspense>
        )}
        {stage?.id === 'fault' ? (
          <Suspense>
            <FaultAside otherwise={<VerdictColumn />} />
          </Suspense>
        ) : stage?.id === 'work' && params.get('play') ? (
          <Suspense>
            <RehearsalAside />
          </Suspense>
        ) : (
          <VerdictColumn
            // There the wants are the stage, or a line of it.
            withoutWants={stage?.id === 'wants' || stage?.id === 'options'}
            first={stage?.id === 'air' ? { theme: 'air', title: 'What the air does' } : undefined}
          />
        )}
      </Box>
      <Suspense>{open && <OpenSheet name={open} onClose={close} />}</Suspense>
      {isGuest && (
        <Suspense>
          <CarriedSheet />
        </Suspense>
      )}
    </Grid>
  )
}
