import { Flex, Text } from '@chakra-ui/react'
import { useQuery, useQueryClient } from '@tanstack/react-query'
import { useState } from 'react'
import { useMatch } from 'react-router'
import type { Attachment } from '../../api/attachment'
import { jobInWords, kitShelf } from '../../api/queries'
import type { Action } from '../../api/types'
import { connections } from '../../features/box/connections'
import { soleSender } from '../../features/box/nearIn'
import { boxDeeds, completeMac, joinableBy, joinValue, stemFor } from '../../features/box/newBox'
import { freshId } from '../../features/box/occupants'
import { useSeenMacs } from '../../features/box/useSeenMacs'
import { KindWords } from '../../features/kind/KindWords'
import { kindOptions } from '../../features/kind/kindOptions'
import { useJob, useTools } from '../../layout/JobContext'
import { usePlace } from '../../layout/usePlace'
import { Choice } from '../../parts/Choice'
import { cardOf, focusOn } from '../../parts/focusOn'
import { PlainField } from '../../parts/PlainField'
import { Press } from '../../parts/Press'
import { Problem } from '../../parts/Problem'
import { roomWords } from '../../parts/roomWords'
import { Sheet } from '../../parts/Sheet'
import { useBusy } from '../../parts/useBusy'
import { type HeldKind, useHand } from '../../state/hand'
import { saidOf, useJobWords } from '../../state/jobWords'
import { addPin } from '../../state/pins'
import { dragKind } from './dragKind'
import { type Meant, MeantFields, mainRouter, notMeant } from './MeantFields'
import { freshName, makeThing } from './makeThing'
import { type Hung, NewBoxFields, notHung } from './NewBoxFields'

const thing = { value: 'thing', label: 'A thing: tablet, printer, laptop …' }

/** A new box as it comes out of its carton, or a new thing that uses the network. What can be guessed is proposed; nothing is kept from the last one. */
export function AddBoxSheet({ onClose }: { onClose: () => void }) {
  const { job, house, selected } = useJob()
  const { act } = useTools()
  const { turn } = usePlace()
  const walks = useMatch('/job/:id/visit') !== null
  const onStairs = (useMatch('/job/:id/:stage')?.params.stage ?? 'stairs') === 'stairs'
  const takeKind = useHand((hand) => hand.takeKind)
  const { run } = useBusy()
  const queries = useQueryClient()
  const { data: kinds = [] } = useQuery(kitShelf)
  const document_ = house.document
  const all = [...(document_.devices ?? []), ...(document_.endpoints ?? [])]
  const chosen = all.find((one) => one.id === selected)

  const [kit, setKit] = useState('router-dual-band')
  const [name, setName] = useState<string | null>(null)
  const [typedRoom, setRoom] = useState<string | null>(null)
  const [address, setAddress] = useState('')
  const [mac, setMac] = useState('')
  const [where, setWhere] = useState<string | null>(null)
  const [far, setFar] = useState<string | null>(null)
  const [hung, setHung] = useState<Hung>(notHung)
  const [typedMeant, setMeant] = useState<Meant>(notMeant)
  const [problem, setProblem] = useState<string>()

  const kind = kinds.find((one) => one.kit === kit)
  const isThing = kit === thing.value
  // A box that was brought lies on the table until somebody says where it hangs: the room is the one that it is for.
  const isBrought = !isThing && !!kind?.sold && !hung.socket && !hung.join
  // What the job was said to be, while its box is not there yet.
  const { words } = useJobWords(saidOf(job.id))
  const { data: saidJob } = useQuery({ ...jobInWords(job.id, job.version, words), enabled: words !== '' })
  const said = saidJob?.questions.some((one) => one.id === 'box' && !one.answered) ? saidJob : undefined
  const part = kind?.parts.find((one) => one.part === said?.part)?.part ?? ''
  const meant = { ...typedMeant, part: typedMeant.part ?? part }
  const room = typedRoom ?? (isBrought ? (said?.room ?? '') : (chosen?.room ?? all[0]?.room ?? ''))
  const mode = kind?.modes.find((one) => one.mode === hung.mode) ?? kind?.modes[0]
  const air = joinableBy(kind, house.joinable)
  const home = (document_.devices ?? []).find((box) => box.id === document_.line?.device)?.room
  const from =
    isBrought && home && room.trim() && room.trim().toLowerCase() !== home.toLowerCase() ? home : null
  const seenMacs = useSeenMacs()
  const wholeMac = completeMac(mac, seenMacs)
  // Four digits alone are those of its Wi-Fi name; the rest of the MAC is not known yet.
  const lastFour = /^[0-9a-f]{4}$/i.test(wholeMac.trim()) ? wholeMac.trim().toUpperCase() : undefined
  const rooms = [
    ...new Set([
      ...(document_.rooms ?? []).map((one) => one.name),
      ...roomWords(document_.devices, document_.endpoints),
    ]),
  ].sort()
  const proposed = freshName(
    all.map((one) => one.name),
    isThing ? 'Tablet' : stemFor(kind, mode, room),
  )
  const places = connections(house, null)
  const sockets = places.filter((one) => one.to && 'device' in one.to)
  const inRoom = new Set((document_.devices ?? []).filter((box) => box.room === room).map((box) => box.id))
  // The first free socket of a box in the room, else the first name on the air.
  const likely =
    places.find((one) => one.to && 'device' in one.to && inRoom.has(one.to.device)) ??
    places.find((one) => one.to && 'ssid' in one.to) ??
    places.find((one) => one.to) ??
    places[0]
  const at = where ?? (kind?.link ? (sockets[0]?.value ?? 'none') : (likely?.value ?? 'none'))
  const other = far ?? sockets.find((one) => boxOf(one.to) !== boxOf(placed(at)))?.value ?? 'none'
  function placed(value: string) {
    return places.find((one) => one.value === value)?.to ?? undefined
  }

  const make = async (id: string, label: string): Promise<Action[] | string> => {
    if (isThing) return [{ do: 'add-endpoint', endpoint: makeThing(id, label, room.trim(), placed(at)) }]
    if (kind?.link) {
      const [a, b] = [placed(at), placed(other)]
      if (!a || !b || !('device' in a) || !('device' in b) || boxOf(a) === boxOf(b))
        return 'Choose a free socket of each of two boxes for the two ends.'
      return [{ do: 'plug-cable', cable: { id: freshId(document_, 'cable'), a, b, medium: kind.link } }]
    }
    // Quick fingers may be here before the shelf is.
    const found = kind ?? (await queries.ensureQueryData(kitShelf)).find((one) => one.kit === kit)
    if (!found) return 'That kind is not on the shelf any more. Choose another.'
    const socket = placed(hung.socket)
    const join = air.find((one) => joinValue(one) === hung.join) ?? null
    const deeds = boxDeeds(found, {
      id,
      name: label,
      room: room.trim(),
      mac: lastFour ? '' : wholeMac,
      lastFour,
      address: address.trim(),
      mode: found.modes.find((one) => one.mode === hung.mode) ?? found.modes[0],
      socket: socket && 'device' in socket ? socket : null,
      medium: hung.medium,
      join,
      partner: join ? soleSender(document_, join.ssid, join.band) : undefined,
      cable: freshId(document_, 'cable'),
      ssid: hung.ssid.trim(),
      gives: hung.gives ? hung.gives === 'yes' : undefined,
      brought: isBrought ? { for: room.trim(), used: meant.used } : undefined,
    })
    if (from && meant.cable) deeds.push({ do: 'note-run', a: from, b: room.trim(), medium: meant.cable })
    const needs = document_.needs ?? []
    return isBrought && meant.part === mainRouter
      ? [...deeds, { do: 'set-need', need: { kind: 'main-router', id: freshNeedId(needs), device: id } }]
      : deeds
  }
  const add = () =>
    run(async () => {
      const label = (name ?? proposed).trim() || proposed
      const id = freshId(document_, isThing ? 'thing' : 'box')
      const actions = await make(id, label).catch((failed: Error) => failed.message)
      if (typeof actions === 'string') return setProblem(actions)
      const failed = await act(actions, actions.length > 1 ? `Add ${label}` : undefined)
      setProblem(failed?.message)
      if (failed) return
      if (isBrought && meant.part && meant.part !== mainRouter)
        addPin(job.id, { device: id, use: meant.part, forbidden: false })
      if (kind?.link) return onClose()
      // On the walk the new box is the stop to go on with; elsewhere its card is.
      turn({
        open: null,
        tab: null,
        ...(walks ? { step: isThing ? 'things' : `box:${id}` } : { box: id, step: null }),
      })
      focusOn(walks ? '[data-stop]' : cardOf(id))
    })
  /** The box with its own label, as it is taken off the shelf. */
  const inHand = (): HeldKind | null =>
    kind?.sold
      ? {
          kind,
          label: {
            name: (name ?? proposed).trim() || proposed,
            room: room.trim() || undefined,
            mac: (!lastFour && wholeMac) || undefined,
            address: address.trim() || undefined,
          },
        }
      : null
  const canCarry = onStairs && !!kind?.sold && (document_.devices ?? []).length > 0
  const sold = kind?.sold
  const asks = sold?.lan?.method === 'dhcp' || !sold?.lan
  const macHint = lastFour
    ? `Taken as the end of its Wi-Fi name: … ${lastFour}.`
    : wholeMac !== mac.trim()
      ? wholeMac
      : seenMacs.length > 0
        ? 'Its last digits are enough: the list that you pasted has the others.'
        : sold?.wifi?.some((one) => one.ssid.includes('{mac4}')) && !mac
          ? 'Empty: its Wi-Fi name ends in 0000.'
          : undefined
  return (
    <Sheet
      title="Add a box or a thing"
      open
      onClose={onClose}
      onSubmit={add}
      footer={
        <>
          <Press onClick={onClose}>Leave it</Press>
          {canCarry && (
            <Press
              title="Press it, then press where the box shall go; or drag it there."
              style={{ touchAction: 'none' }}
              onPointerDown={(event) => dragKind(event, inHand, onClose)}
              onClick={() => {
                takeKind(inHand())
                onClose()
              }}
            >
              Take it in hand
            </Press>
          )}
          <Press kind="main" onClick={add}>
            Add it
          </Press>
        </>
      }
    >
      <Flex direction="column" gap="10px" w="100%">
        <Choice
          label="What is it?"
          width="100%"
          value={kit}
          options={[thing, ...kindOptions(kinds)]}
          onChange={(value) => {
            setKit(value)
            setWhere(null)
            setHung(notHung)
            setMeant(notMeant)
            setProblem(undefined)
          }}
        />
        {!kind?.link && (
          <PlainField
            label="Room"
            width="100%"
            value={room}
            options={rooms}
            hint={isBrought ? 'The room it is for. Empty: wherever it is best.' : undefined}
            onChange={setRoom}
          />
        )}
        {isThing && (
          <Choice label="Where is it?" width="100%" value={at} options={places} onChange={setWhere} />
        )}
        {kind?.link && (
          <Flex gap="10px" wrap="wrap">
            <Choice label="One end in" width="48%" value={at} options={sockets} onChange={setWhere} />
            <Choice label="the other in" width="48%" value={other} options={sockets} onChange={setFar} />
          </Flex>
        )}
        {sold && (
          <PlainField
            label="MAC on its label"
            width="100%"
            mono
            value={mac}
            placeholder="00:00:5E:00:53:01"
            hint={macHint}
            onChange={setMac}
          />
        )}
        {kind && sold && (
          <NewBoxFields
            kind={kind}
            mode={mode}
            sockets={sockets}
            air={air}
            hung={hung}
            set={(change) => setHung((now) => ({ ...now, ...change }))}
          />
        )}
        {kind && isBrought && (
          <MeantFields
            kind={kind}
            meant={meant}
            from={from}
            set={(change) => setMeant((now) => ({ ...now, ...change }))}
          />
        )}
        {!kind?.link && (
          <Flex gap="10px" wrap="wrap">
            <PlainField label="Name" width="48%" value={name ?? proposed} onChange={setName} />
            {sold && !asks && (
              <PlainField
                label="Address on its label"
                width="48%"
                mono
                value={address}
                placeholder={sold.label?.defaultAddress ?? ''}
                hint="Empty: as the kind is sold."
                onChange={setAddress}
              />
            )}
          </Flex>
        )}
        {isThing ? (
          <Text textStyle="note">It asks for its address by itself; change that afterwards.</Text>
        ) : (
          !kind?.link && (
            <Text textStyle="note">
              {hung.socket || hung.join
                ? 'All else is taken as its carton says, until somebody looks.'
                : 'It lies on the table as it is sold. A plan says where it goes and how it is set, or you lay its cables yourself.'}
            </Text>
          )
        )}
        <Problem>{problem}</Problem>
        {kind && <KindWords kind={kind} />}
        {/* Enter in any field of a form presses its submit button. */}
        <button type="submit" hidden aria-hidden tabIndex={-1} />
      </Flex>
    </Sheet>
  )
}

function freshNeedId(needs: { id: string }[]) {
  let n = needs.length + 1
  while (needs.some((one) => one.id === `n${n}`)) n++
  return `n${n}`
}

const boxOf = (place: Attachment | null | undefined) =>
  place && 'device' in place ? place.device : undefined
