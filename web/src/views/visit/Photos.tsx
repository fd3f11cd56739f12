import { Box, Flex, Text } from '@chakra-ui/react'
import { useQuery, useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { addPhoto, deletePhoto, keepSecret, photos as photosQuery, secrets } from '../../api/queries'
import type { Device, LabelCode } from '../../api/types'
import { useSettings } from '../../features/box/useSettings'
import { useJob } from '../../layout/JobContext'
import { FilePick } from '../../parts/FilePick'
import { Press } from '../../parts/Press'
import { Problem } from '../../parts/Problem'
import { securityWords } from '../../parts/words'
import { say } from '../../state/notices'

/** Pictures of a box's label: shown large beside the fields, and what their codes say is offered. */
export function Photos({ box }: { box: Device }) {
  const { job } = useJob()
  const queries = useQueryClient()
  const { data = [] } = useQuery(photosQuery(job.id))
  const [large, setLarge] = useState<string | null>(null)
  const [codes, setCodes] = useState<LabelCode[]>([])
  const [problem, setProblem] = useState<string>()
  const mine = data.filter((photo) => photo.subject === box.id)
  const link = (photo: string) => `/api/jobs/${job.id}/photos/${photo}`
  const after = () => queries.invalidateQueries({ queryKey: photosQuery(job.id).queryKey })
  const add = async (chosen: Blob) => {
    try {
      const answer = await addPhoto(job.id, box.id, chosen)
      setCodes((now) => [...answer.codes, ...now])
      setLarge(answer.photo.id)
      setProblem(undefined)
      await after()
    } catch (failed) {
      setProblem((failed as Error).message)
    }
  }
  return (
    <Box mt="12px">
      <Flex gap="8px" wrap="wrap" align="center">
        <FilePick
          label={`Picture of the label of ${box.name}`}
          accept="image/jpeg,image/png,image/webp"
          capture="environment"
          take={add}
        >
          Photograph the label
        </FilePick>
        {mine.map((photo, i) => (
          <button
            type="button"
            key={photo.id}
            className="thumb"
            aria-pressed={large === photo.id}
            aria-label={`Picture ${i + 1} of ${box.name}`}
            onClick={() => setLarge(large === photo.id ? null : photo.id)}
          >
            <img src={link(photo.id)} alt="" />
          </button>
        ))}
      </Flex>
      <Problem mt="4px">{problem}</Problem>
      {codes.map((code) => (
        <Offer key={`${code.ssid} ${code.mac} ${code.page}`} code={code} box={box} />
      ))}
      {large && mine.some((photo) => photo.id === large) && (
        <Box mt="8px">
          <img src={link(large)} alt={`The label of ${box.name}`} className="label-large" />
          <Press
            kind="plain"
            onClick={async () => {
              try {
                await deletePhoto(job.id, large)
                setLarge(null)
              } catch (failed) {
                setProblem((failed as Error).message)
              }
              await after()
            }}
          >
            delete this picture
          </Press>
        </Box>
      )}
    </Box>
  )
}

/** What a code says, each taken with one press. */
function Offer({ code, box }: { code: LabelCode; box: Device }) {
  const { job } = useJob()
  const { orSay } = useSettings()
  const queries = useQueryClient()
  const name = `${box.id} as sold`
  if (code.mac)
    return (
      <Line
        what="MAC"
        value={code.mac}
        take={() => orSay({ do: 'describe-device', box: { ...box, mac: code.mac ?? undefined } })}
      />
    )
  if (code.page)
    return (
      <Line
        what="Address of its page"
        value={code.page}
        take={() =>
          orSay({
            do: 'describe-device',
            box: { ...box, label: { ...box.label, defaultAddress: code.page ?? undefined } },
          })
        }
      />
    )
  if (!code.ssid) return <Text textStyle="note">A code is on it that says nothing that belongs here.</Text>
  const security = code.security ?? 'open'
  return (
    <Line
      what={`Wi-Fi as sold, ${securityWords[security]}`}
      value={code.ssid}
      take={async () => {
        // The key goes to the sealed store and nowhere else.
        if (code.key) {
          try {
            await keepSecret(job.id, name, code.key)
            await queries.invalidateQueries({ queryKey: secrets(job.id).queryKey })
          } catch (failed) {
            return say((failed as Error).message, 'problem')
          }
        }
        await orSay(
          ...(box.radios ?? []).map((radio, place) => ({
            do: 'set-wifi' as const,
            device: box.id,
            place,
            network: {
              ...(box.wifi?.[place] ?? {}),
              radio: radio.id,
              ssid: code.ssid ?? '',
              security,
              key: code.key ? name : undefined,
            },
          })),
        )
      }}
    />
  )
}

function Line({ what, value, take }: { what: string; value: string; take: () => Promise<unknown> }) {
  const [isTaken, setTaken] = useState(false)
  return (
    <Flex gap="10px" align="center" mt="6px" wrap="wrap">
      <Text textStyle="small">The code says: {what}</Text>
      <Text fontFamily="mono" fontWeight="600" overflowWrap="anywhere">
        {value}
      </Text>
      {isTaken ? (
        <Text textStyle="small" color="moss">
          taken
        </Text>
      ) : (
        <Press
          aria-label={`Take it: ${what} ${value}`}
          onClick={async () => {
            await take()
            setTaken(true)
          }}
        >
          Take it
        </Press>
      )}
    </Flex>
  )
}
