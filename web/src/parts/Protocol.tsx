import { Choice } from './Choice'

export type Transport = 'tcp' | 'udp'

/** Which protocol a port is of. */
export function Protocol({ value, onChange }: { value: Transport; onChange: (value: Transport) => void }) {
  return (
    <Choice
      label="Protocol"
      width="84px"
      value={value}
      options={[
        { value: 'tcp', label: 'tcp' },
        { value: 'udp', label: 'udp' },
      ]}
      onChange={onChange}
    />
  )
}
