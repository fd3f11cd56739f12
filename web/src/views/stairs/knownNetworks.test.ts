import { expect, test } from 'vitest'
import type { Endpoint, House } from '../../api/types'
import { knownNetworks } from './knownNetworks'

const thing = { id: 't', name: 'T', connect: { ssid: 'larkspur', key: 'home' } } as Endpoint
const house = {
  devices: [
    {
      id: 'gw',
      wifi: [
        { radio: '2g', ssid: 'larkspur', security: 'wpa2', key: 'home' },
        { radio: '2g', ssid: 'visitors', security: 'wpa2', key: 'v', guest: true },
        { radio: '5g', ssid: 'old', security: 'wpa2', key: 'o', enabled: false },
      ],
    },
  ],
  needs: [{ kind: 'keep-name', id: 'n1', ssid: 'hawthorn', key: 'h' }],
} as unknown as House

test('names of boxes, on the air or off, and names to be kept; not the one it has joined, no guests', () => {
  expect(knownNetworks(house, thing).map((one) => one.label)).toEqual(['no other name', 'old', 'hawthorn'])
})

test('what it knows already is marked, also where no box has it', () => {
  const knows = { ssid: 'willow', security: 'wpa2' as const, key: 'w' }
  const all = knownNetworks(house, { ...thing, knows })
  expect(all.filter((one) => one.isCurrent).map((one) => one.label)).toEqual(['willow'])
})
