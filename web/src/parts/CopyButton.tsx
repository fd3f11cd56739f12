import { say } from '../state/notices'
import { Press } from './Press'

/** @param said What is said then; a long text is not said whole. */
export function CopyButton({ value, what, said }: { value: string; what: string; said?: string }) {
  const copy = async () => {
    try {
      await navigator.clipboard.writeText(value)
      say(said ?? `Copied ${value}`)
    } catch {
      say(`The browser does not let this page copy. It is ${value}`, 'problem')
    }
  }
  return (
    <Press kind="plain" aria-label={said ? `Copy ${what}` : `Copy ${what} ${value}`} onClick={copy}>
      copy
    </Press>
  )
}
