import { Box } from '@chakra-ui/react'
import type { ReactNode } from 'react'
import type { Device } from '../../api/types'
import { useSettings } from '../../features/box/useSettings'
import { Panel } from '../../features/line/Panel'
import { useJob, useTools } from '../../layout/JobContext'
import { usePlace } from '../../layout/usePlace'
import { CopyButton } from '../../parts/CopyButton'
import { DraftPart } from '../../parts/DraftPart'
import { Press } from '../../parts/Press'
import { Segmented } from '../../parts/Segmented'
import { wordsOf } from '../../parts/wordsOf'
import { BoxFields } from './BoxFields'
import { InboundFields } from './InboundFields'
import { JoinFields } from './JoinFields'
import { VlanFields } from './VlanFields'
import { WanFields } from './WanFields'
import { WifiFields } from './WifiFields'

type Section = 'box' | 'wan' | 'wifi' | 'joins' | 'inbound' | 'vlans'

/** The sections that have a meaning in the mode the box is in. */
function sectionsOf(
  device: Device,
  settings: string[],
): { value: Section; label: string; fields: ReactNode }[] {
  const all: { value: Section; label: string; has: boolean; fields: ReactNode }[] = [
    { value: 'box', label: 'Box', has: true, fields: <BoxFields device={device} /> },
    {
      value: 'wan',
      label: 'WAN',
      has: settings.includes('wan'),
      fields: <WanFields device={device} />,
    },
    {
      value: 'wifi',
      label: 'Wi-Fi',
      has: settings.includes('wifi') && (device.radios ?? []).length > 0,
      fields: <WifiFields device={device} />,
    },
    {
      value: 'joins',
      label: settings.includes('passthrough-to') ? 'Passes to' : 'Joins',
      has:
        settings.includes('passthrough-to') ||
        (settings.includes('uplink') && (device.radios ?? []).length > 0),
      fields: <JoinFields device={device} />,
    },
    {
      value: 'inbound',
      label: 'Lets in',
      has: settings.includes('forwards'),
      fields: <InboundFields device={device} />,
    },
    {
      value: 'vlans',
      label: 'VLANs',
      has: settings.includes('vlans'),
      fields: <VlanFields device={device} />,
    },
  ]
  return all.filter((section) => section.has)
}

/** The settings of one box, each put in force by itself, as on the box's own page. */
export function BoxInspector({ device }: { device: Device }) {
  const { select } = useTools()
  const { orSay } = useSettings()
  const { params, turn } = usePlace()
  const { house } = useJob()
  const sections = sectionsOf(device, wordsOf(house, device.id)?.settings ?? [])
  const section = sections.find((one) => one.value === params.get('tab')) ?? sections[0]
  const lan = device.lan
  return (
    <Panel
      id={device.id}
      title={device.name}
      actions={
        <>
          {lan?.address && <CopyButton value={lan.address.split('/')[0]} what="address" />}
          <Press
            kind="plain"
            onClick={() => orSay({ do: 'factory-reset', device: device.id })}
            title="Every setting goes back to what the label says"
          >
            factory reset
          </Press>
          <Press
            kind="plain"
            onClick={() =>
              orSay({ do: 'remove-device', device: device.id }).then((done) => done && select(null))
            }
          >
            remove
          </Press>
        </>
      }
    >
      {sections.length > 1 && (
        <Box mb="8px" w="fit-content" maxW="100%">
          <Segmented
            label="Settings"
            value={section.value}
            onChange={(tab) => turn({ tab: tab === 'box' ? null : tab })}
            options={sections.map(({ value, label }) => ({ value, label }))}
          />
        </Box>
      )}
      <DraftPart name={section.value}>{section.fields}</DraftPart>
    </Panel>
  )
}
