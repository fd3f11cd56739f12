import { Text } from '@chakra-ui/react'
import { useState } from 'react'
import { PlainField } from '../parts/PlainField'
import { Press } from '../parts/Press'
import { Problem } from '../parts/Problem'
import { Sheet } from '../parts/Sheet'
import { pack } from '../state/carried'
import { useLeaving } from '../state/leaving'
import { useWaitingPhotos } from '../state/waitingPhotos'
import { useWaitingChanges } from '../state/waitingTicks'
import { useJob } from './JobContext'

const ipv4 = /^(\d{1,3})(\.\d{1,3}){3}(:\d{1,5})?$/

/** The laptop came back at another address, as it does where the work gives the house another subnet. */
export function MovedSheet({ onClose }: { onClose: () => void }) {
  const { job } = useJob()
  const waiting = useWaitingChanges()
  const photos = useWaitingPhotos((store) => store.list.length)
  const [address, setAddress] = useState('')
  const [problem, setProblem] = useState<string>()
  const go = () => {
    const typed = address.trim().replace(/^https?:\/\//, '')
    if (!ipv4.test(typed) || typed.split(/[.:]/).some((part, i) => i < 4 && Number(part) > 255))
      return setProblem(`“${address}” is no address. Write it as the laptop shows it, such as 192.168.1.20.`)
    const carried = pack(waiting, job.id)
    if (carried === null) return setProblem('Too much waits to be taken along. Go back to the old address.')
    useLeaving.setState({ isMeant: true })
    const host = typed.includes(':') ? typed : `${typed}:${window.location.port}`
    window.location.assign(`https://${host}/join#/${job.id}/${carried}`)
  }
  return (
    <Sheet
      title="The laptop has another address"
      open
      onClose={onClose}
      onSubmit={go}
      footer={
        <>
          <Press onClick={onClose}>Leave it</Press>
          <Press kind="main" onClick={go}>
            Go there
          </Press>
        </>
      }
    >
      <Text mb="10px">
        The laptop shows it under “Phone”, with a new code. Ticks and notes that wait are taken along, and
        asked about there.
        {photos > 0 && ' Pictures are not: they wait here until the laptop is at the old address again.'}
      </Text>
      <PlainField
        label="Its address now"
        mono
        width="100%"
        value={address}
        placeholder="192.168.1.20"
        onChange={setAddress}
      />
      <Problem>{problem}</Problem>
      <button type="submit" hidden aria-hidden tabIndex={-1} />
    </Sheet>
  )
}
