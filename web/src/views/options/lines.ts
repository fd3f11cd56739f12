import type { OptionView } from '../../api/types'
import { count } from '../../parts/words'

/** One line of the comparison: what a plan has there, and the figure by which the best is known (less is better). */
export type Line = { name: string; say: (plan: OptionView) => string; figure: (plan: OptionView) => number }

const minutes = (n: number) => `${n} min`

/** What a household feels, on the same lines for all. */
export const lines: Line[] = [
  {
    name: 'wants held',
    say: (plan) => (plan.wants ? `${plan.wantsHeld} of ${plan.wants}` : 'none asked'),
    figure: (plan) => -plan.wantsHeld,
  },
  {
    name: 'left wrong',
    say: (plan) =>
      [plan.faults && count(plan.faults, 'fault'), plan.cautions && count(plan.cautions, 'caution')]
        .filter(Boolean)
        .join(', ') || 'nothing',
    figure: (plan) => plan.faults * 100 + plan.cautions,
  },
  { name: 'translations (NAT)', say: (plan) => `${plan.natLayers}`, figure: (plan) => plan.natLayers },
  { name: 'radio hops', say: (plan) => `${plan.wirelessHops}`, figure: (plan) => plan.wirelessHops },
  {
    name: 'worst room',
    say: (plan) =>
      plan.worstRoom ? `${plan.worstRoom.mbps} Mb/s, ${plan.worstRoom.room}` : 'no room listed',
    figure: (plan) => -(plan.worstRoom?.mbps ?? 0),
  },
  { name: 'to buy', say: (plan) => plan.buys.join('; ') || 'nothing', figure: (plan) => plan.buys.length },
  {
    name: 'to touch',
    say: (plan) => (plan.touches ? count(plan.touches, 'thing') : 'nothing'),
    figure: (plan) => plan.touches,
  },
  { name: 'settings', say: (plan) => `${plan.settings}`, figure: (plan) => plan.settings },
  {
    name: 'no internet for',
    say: (plan) => (plan.cutMinutes == null ? '…' : minutes(plan.cutMinutes)),
    figure: (plan) => plan.cutMinutes ?? Number.NaN,
  },
  {
    name: 'work',
    say: (plan) => (plan.cutMinutes == null ? '…' : minutes(plan.minutes)),
    figure: (plan) => (plan.cutMinutes == null ? Number.NaN : plan.minutes),
  },
]

export const isBest = (line: Line, plan: OptionView, plans: OptionView[]) =>
  line.figure(plan) === Math.min(...plans.map(line.figure))
