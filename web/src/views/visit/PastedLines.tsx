import './pasted.css'
import type { NotedLine } from '../../api/types'
import { narrowed } from './narrowed'

/** What was pasted keeps its own lines; what each says of this house stands beside it. */
export function PastedLines({ lines }: { lines: NotedLine[] }) {
  const shown = lines.at(-1)?.text.trim() === '' ? lines.slice(0, -1) : lines
  const texts = narrowed(shown.map((line) => line.text))
  return (
    // biome-ignore lint/a11y/noNoninteractiveTabindex: a long list is scrolled by key too
    <section className="pasted" aria-label="What was pasted, line by line" tabIndex={0}>
      <table>
        <thead className="sr-only">
          <tr>
            <th scope="col">Line</th>
            <th scope="col">What it says</th>
          </tr>
        </thead>
        <tbody>
          {shown.map((line, i) => (
            <tr key={line.number} className={line.kind}>
              <td className="line">{texts[i] || ' '}</td>
              <td className="note">{line.says}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  )
}
