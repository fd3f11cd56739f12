import type { House, SeenEntry } from '../../api/types'

type Blank = { name: string; options: { value: string; label: string }[] }
type Kind = { id: string; name: string; blanks: Blank[]; seen: (filled: string[]) => SeenEntry }

/** What people say when something does not work, each with what was then seen. Only what this house has to offer. */
export function complaintKinds(house: House): Kind[] {
  const things = (house.endpoints ?? []).map((thing) => ({ value: thing.id, label: thing.name ?? thing.id }))
  const boxes = house.devices ?? []
  const pages = boxes.filter((box) => box.lan?.address)
  const names = [...new Set(boxes.flatMap((box) => box.wifi ?? []).map((one) => one.ssid))]
  const sockets = boxes.flatMap((box) =>
    (box.ports ?? []).map((port) => ({
      value: `${box.id} ${port.id}`,
      label: `${box.name ?? box.id} ${port.printed ?? port.id}`,
    })),
  )
  const services = (house.endpoints ?? []).flatMap((thing) =>
    (thing.services ?? []).map((one) => ({
      value: `${thing.id} ${one.port}`,
      label: `${thing.name ?? thing.id}, port ${one.port}`,
    })),
  )
  const laptop = (address: string, device: string): SeenEntry => ({
    from: { connect: { device, port: firstLan(house, device) } },
    reading: 'page',
    address,
    value: 'nobody',
  })
  const kinds: Kind[] = [
    {
      id: 'internet',
      name: 'No internet',
      blanks: [{ name: 'On', options: things }],
      seen: ([who]) => ({ who, reading: 'internet', value: 'no' }),
    },
    {
      id: 'lookup',
      name: 'Pages do not open, a call goes on',
      blanks: [{ name: 'On', options: things }],
      seen: ([who]) => ({ who, reading: 'lookup', value: 'no' }),
    },
    {
      id: 'reach',
      name: 'One does not find the other',
      blanks: [
        { name: 'From', options: things },
        { name: 'To', options: [...things.slice(1), ...things.slice(0, 1)] },
      ],
      seen: ([who, to]) => ({ who, to, reading: 'reach', value: 'no' }),
    },
    {
      id: 'network',
      name: 'A Wi-Fi is not in the list',
      blanks: [{ name: 'Wi-Fi', options: names.map((name) => ({ value: name, label: name })) }],
      seen: ([ssid]) => ({ ssid, reading: 'network', value: 'no' }),
    },
    {
      id: 'joined',
      name: 'It does not join the Wi-Fi',
      blanks: [
        {
          name: 'What',
          options: things.filter((thing) =>
            (house.endpoints ?? []).some(
              (one) => one.id === thing.value && one.connect && 'ssid' in one.connect,
            ),
          ),
        },
      ],
      seen: ([who]) => ({ who, reading: 'joined', value: 'nobody' }),
    },
    {
      id: 'page',
      name: 'A settings page does not open',
      blanks: [
        { name: 'Page of', options: pages.map((box) => ({ value: box.id, label: box.name ?? box.id })) },
        {
          name: 'Laptop plugged into',
          options: boxes
            .filter((box) => firstLan(house, box.id))
            .map((box) => ({ value: box.id, label: box.name ?? box.id })),
        },
      ],
      seen: ([device, at]) =>
        laptop(boxes.find((box) => box.id === device)?.lan?.address?.split('/')[0] ?? '', at),
    },
    {
      id: 'link',
      name: 'A lamp is dark',
      blanks: [{ name: 'At', options: sockets }],
      seen: ([socket]) => {
        const [device, port] = socket.split(' ')
        return { device, port, reading: 'link', value: 'none' }
      },
    },
    {
      id: 'outside',
      name: 'Not reached from outside',
      blanks: [{ name: 'What', options: services }],
      seen: ([service]) => {
        const [endpoint, port] = service.split(' ')
        return { endpoint, port: Number(port), reading: 'outside', value: 'no' }
      },
    },
  ]
  return kinds.filter((kind) =>
    kind.blanks.every((blank) => blank.options.length > (kind.id === 'reach' ? 1 : 0)),
  )
}

const firstLan = (house: House, device: string) =>
  (house.devices ?? []).find((box) => box.id === device)?.ports?.find((port) => port.role === 'lan')?.id
