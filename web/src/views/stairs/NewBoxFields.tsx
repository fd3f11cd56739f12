import { Flex } from '@chakra-ui/react'
import type { JoinChoice, KitView } from '../../api/types'
import { joinValue } from '../../features/box/newBox'
import { Choice } from '../../parts/Choice'
import { PlainField } from '../../parts/PlainField'

export type Hung = {
  socket: string
  medium: 'ethernet' | 'powerline' | 'coax'
  mode: string
  join: string
  gives: '' | 'yes' | 'no'
  /** The name of its Wi-Fi, where somebody sees it. */
  ssid: string
}

export const notHung: Hung = { socket: '', medium: 'ethernet', mode: '', join: '', gives: '', ssid: '' }

/** How a box that is there already hangs on the house: by a cable, by radio, or not at all. */
export function NewBoxFields(props: {
  kind: KitView
  mode: KitView['modes'][number] | undefined
  sockets: { value: string; label: string }[]
  air: JoinChoice[]
  hung: Hung
  set: (change: Partial<Hung>) => void
}) {
  const { kind, mode, sockets, air, hung, set } = props
  const joins = mode?.joins && !hung.socket
  return (
    <Flex gap="10px" wrap="wrap">
      {mode?.socket && sockets.length > 0 && (
        <Choice
          label="Its cable comes from"
          width="48%"
          value={hung.socket}
          options={[{ value: '', label: 'no cable' }, ...sockets]}
          onChange={(socket) => set({ socket })}
        />
      )}
      {hung.socket && (
        <Choice
          label="over"
          width="48%"
          value={hung.medium}
          options={[
            { value: 'ethernet', label: 'a data cable' },
            { value: 'powerline', label: 'the mains' },
            { value: 'coax', label: 'an aerial cable' },
          ]}
          onChange={(medium) => set({ medium })}
        />
      )}
      {kind.modes.length > 1 && (
        <Choice
          label="It is set as"
          width="48%"
          value={mode?.mode ?? ''}
          options={kind.modes.map((one) => ({ value: one.mode, label: one.say }))}
          onChange={(to) => set({ mode: to })}
        />
      )}
      {joins && air.length > 0 && (
        <Choice
          label="It joins"
          width="48%"
          value={hung.join}
          options={[
            { value: '', label: 'nobody’s Wi-Fi' },
            ...air.map((one) => ({ value: joinValue(one), label: `${one.ssid}, ${one.band} GHz` })),
          ]}
          onChange={(join) => set({ join })}
        />
      )}
      {mode?.mayGive && (
        <Choice
          label="It gives addresses"
          width="48%"
          value={hung.gives || (mode === kind.modes[0] ? 'yes' : 'no')}
          options={[
            { value: 'no', label: 'no' },
            { value: 'yes', label: 'yes, its DHCP is on' },
          ]}
          onChange={(gives) => set({ gives })}
        />
      )}
      {hung.socket && (kind.sold?.wifi ?? []).length > 0 && (
        <PlainField
          label="Its Wi-Fi name, if you see it"
          width="48%"
          mono
          value={hung.ssid}
          onChange={(ssid) => set({ ssid })}
        />
      )}
    </Flex>
  )
}
