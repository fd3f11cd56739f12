import { say } from '../state/notices'
import { Press } from './Press'

export function CopyButton({ value, what }: { value: string; what: string }) {
  const copy = async () => {
    try {
      await navigator.clipboard.writeText(value)
      say(`Copied ${value}`)
    } catch {
      say(`The browser does not let this page copy. It is ${value}`, 'problem')
    }
  }
  return (
    <Press kind="plain" aria-label={`Copy ${what} ${value}`} onClick={copy}>
      copy
    </Press>
  )
}
