import type { KitView } from '../../api/types'

export const groupNames: Record<KitView['group'], string> = {
  gateway: 'Gateways and modems',
  router: 'Routers',
  mesh: 'Mesh units',
  repeater: 'Repeaters',
  'access-point': 'Access points',
  bridge: 'Wireless bridges',
  switch: 'Switches',
  link: 'Cables of another kind',
}

/** Kinds to choose from, in their groups; own ones say so. */
export const kindOptions = (kinds: KitView[]) =>
  kinds.map((kind) => ({
    value: kind.kit,
    label: kind.name,
    group: kind.isOwn ? 'Your own kinds' : groupNames[kind.group],
  }))
