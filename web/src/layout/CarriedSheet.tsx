import { Text } from '@chakra-ui/react'
import { Press } from '../parts/Press'
import { Sheet } from '../parts/Sheet'
import { count } from '../parts/words'
import { useCarried } from '../state/carried'
import { say } from '../state/notices'
import { useTools } from './JobContext'

/** What was done while the laptop was away, at its old address: taken in when the person says so. */
export function CarriedSheet() {
  const { tick } = useTools()
  const { ticks } = useCarried()
  if (ticks.length === 0) return null
  const close = () => useCarried.setState({ ticks: [] })
  const done = ticks.filter((one) => one.tick.outcome === 'as-said').length
  const notes = ticks.filter((one) => one.tick.note).length
  const parts = [
    ...(done ? [count(done, 'step seen as said', 'steps seen as said')] : []),
    ...(notes ? [count(notes, 'note')] : []),
  ]
  const take = async () => {
    let kept = true
    for (const one of ticks) kept = (await tick(one.step, one.tick)) && kept
    close()
    if (kept) say(`Taken in: ${parts.join(', ')}`)
  }
  return (
    <Sheet
      title="Taken along from the old address"
      open
      onClose={close}
      footer={
        <>
          <Press onClick={close}>Leave it</Press>
          <Press kind="main" onClick={take}>
            Take it in
          </Press>
        </>
      }
    >
      <Text>
        While the laptop was away, this phone noted: {parts.join(', ') || count(ticks.length, 'change')}. Take
        it in only if that was you.
      </Text>
    </Sheet>
  )
}
