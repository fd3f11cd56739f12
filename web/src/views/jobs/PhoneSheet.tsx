import { Box, Flex, Text } from '@chakra-ui/react'
import { useQuery, useQueryClient } from '@tanstack/react-query'
import { useEffect, useState } from 'react'
import { endSession, leave, makeJoinCode, share } from '../../api/queries'
import type { JoinCode, ShareView } from '../../api/types'
import { Choice } from '../../parts/Choice'
import { Copy } from '../../parts/Copy'
import { clock } from '../../parts/clock'
import { Press } from '../../parts/Press'
import { Problem } from '../../parts/Problem'
import { Sheet } from '../../parts/Sheet'
import { Toggle } from '../../parts/Toggle'
import { when } from '../../parts/when'

/** Lets a phone in by a code, and shows it out. @param job Where the phone shall begin. */
export function PhoneSheet({ job, onClose }: { job?: string; onClose: () => void }) {
  const { data, error } = useQuery({ ...share, refetchInterval: 3_000 })
  return (
    <Sheet title="Phone" open onClose={onClose} footer={<Press onClick={onClose}>Close</Press>}>
      <Problem>{error?.message}</Problem>
      {!data && !error && (
        <Text role="status" color="quiet">
          Looking …
        </Text>
      )}
      {data && !data.on && <Off />}
      {data?.isPhone && <OnThePhone looksOnly={data.looksOnly} />}
      {data?.on && !data.isPhone && <OnTheLaptop data={data} job={job} />}
    </Sheet>
  )
}

function Off() {
  return (
    <>
      <Text mb="10px">
        This laptop answers nobody but itself. To take a phone along, end Altrin and start it so; your jobs
        are all there again:
      </Text>
      <Copy label="Start it with" text="./altrin run --share" />
      <Text mt="10px" textStyle="note">
        It then also answers in the networks that the laptop is in, encrypted, and to those alone who have
        joined by a code.
      </Text>
    </>
  )
}

function OnThePhone({ looksOnly }: { looksOnly: boolean }) {
  return (
    <>
      <Text mb="10px">
        {looksOnly
          ? 'This phone looks on: it shows what the laptop changes at once, and can change nothing itself. Passwords are not shown on it. To work on it, leave, and join by a code made for that.'
          : 'This phone works on the laptop’s jobs: what either changes the other shows at once. During an order the laptop leaves the network again and again. Keep this page open then: it has the whole order, keeps ticks, notes and pictures, and hands them in when the laptop is back.'}
      </Text>
      <Press
        kind="danger"
        onClick={async () => {
          await leave()
          window.location.assign('/join')
        }}
      >
        Leave: forget this phone
      </Press>
    </>
  )
}

function OnTheLaptop({ data, job }: { data: ShareView; job?: string }) {
  const queries = useQueryClient()
  const [chosen, setChosen] = useState<string>()
  const [code, setCode] = useState<JoinCode | null>(null)
  const [looksOnly, setLooksOnly] = useState(false)
  const [problem, setProblem] = useState<string>()
  const address = data.addresses.find((one) => one.address === chosen) ?? data.addresses[0]
  const known = data.phones.length
  // Who has joined by the code needs it no more.
  const [knownThen, setKnownThen] = useState(known)
  if (code && known > knownThen) setCode(null)
  if (!address)
    return (
      <Text>
        This laptop is in no network of the house now: it has no private address. Join the house's Wi-Fi or
        plug into it; this page then goes on by itself.
      </Text>
    )
  const make = async () => {
    try {
      setKnownThen(known)
      setCode(await makeJoinCode(address.address, looksOnly, job))
      setProblem(undefined)
    } catch (failed) {
      setProblem((failed as Error).message)
      // The laptop may be in another network by now.
      await queries.invalidateQueries({ queryKey: share.queryKey })
    }
  }
  return (
    <>
      {data.addresses.length > 1 && (
        <Choice
          label="Where the phone finds this laptop"
          value={address.address}
          options={data.addresses.map((one) => ({
            value: one.address,
            label: `${one.address} (${one.card})`,
          }))}
          onChange={(value) => {
            setChosen(value)
            setCode(null)
          }}
        />
      )}
      {code ? (
        <CodeToScan
          code={code}
          looksOnly={looksOnly}
          fingerprint={data.fingerprint ?? ''}
          onGone={() => setCode(null)}
        />
      ) : (
        <>
          <Text mb="10px">
            The phone must be in the same network as this laptop, now at{' '}
            <Box as="span" fontFamily="mono">
              {address.address}
            </Box>
            .
          </Text>
          <Toggle
            label="who joins may look and change nothing: for the household"
            on={looksOnly}
            set={setLooksOnly}
          />
          <Press kind="main" mt="6px" onClick={make}>
            Make a code
          </Press>
        </>
      )}
      <Problem mt="8px">{problem}</Problem>
      <Text as="h3" textStyle="section" mt="18px" mb="4px">
        Joined
      </Text>
      {data.phones.length === 0 && <Text textStyle="note">Nobody yet.</Text>}
      <Box as="ul" listStyleType="none">
        {data.phones.map((phone) => (
          <Flex as="li" key={phone.id} gap="12px" align="center" justify="space-between" py="4px">
            <Box minW="0">
              <Text fontWeight="600" overflowWrap="anywhere" dir="auto">
                {phone.name}
              </Text>
              <Text textStyle="note">
                {phone.address}, since {when(phone.joinedAt)}
                {phone.looksOnly && ', looks only'}
              </Text>
            </Box>
            <Press
              aria-label={`End the session of ${phone.name}`}
              onClick={async () => {
                await endSession(phone.id).catch((failed: Error) => setProblem(failed.message))
                await queries.invalidateQueries({ queryKey: share.queryKey })
              }}
            >
              End
            </Press>
          </Flex>
        ))}
      </Box>
    </>
  )
}

function CodeToScan(props: { code: JoinCode; looksOnly: boolean; fingerprint: string; onGone: () => void }) {
  const { code, onGone } = props
  const [now, setNow] = useState(Date.now())
  const left = Math.ceil((Date.parse(code.until) - now) / 1000)
  useEffect(() => {
    const beat = setInterval(() => setNow(Date.now()), 1000)
    return () => clearInterval(beat)
  }, [])
  useEffect(() => {
    if (left <= 0) onGone()
  }, [left, onGone])
  const parts = props.fingerprint.split(':')
  const lines = [0, 1, 2, 3].map((line) => parts.slice(line * 8, line * 8 + 8).join(' '))
  return (
    <Flex gap="16px" wrap="wrap" align="start">
      <img
        src={`data:image/svg+xml,${encodeURIComponent(code.picture)}`}
        alt="Code to be scanned with the phone's camera"
        width="190"
        height="190"
        style={{ background: 'white' }}
      />
      <Box flex="1" minW="200px">
        <Text textStyle="note">Or open on the phone</Text>
        <Text fontFamily="mono" fontWeight="600" overflowWrap="anywhere">
          {code.page}/join
        </Text>
        <Text textStyle="note" mt="8px">
          and type
        </Text>
        <Text fontFamily="mono" fontSize="22px" fontWeight="700" data-testid="join-code">
          {code.code.slice(0, 5)} {code.code.slice(5)}
        </Text>
        <Text textStyle="note" role="timer">
          Good once, for {clock(Math.max(0, left))}.
          {props.looksOnly && ' Who joins by it may look and change nothing.'}
        </Text>
      </Box>
      <Box w="100%">
        <Text textStyle="note">
          The phone will warn that nobody else has signed the laptop's certificate. It is the right one if its
          SHA-256 fingerprint is
        </Text>
        <Text fontFamily="mono" fontSize="note" whiteSpace="pre">
          {lines.join('\n')}
        </Text>
      </Box>
    </Flex>
  )
}
