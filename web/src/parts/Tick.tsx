/** A hand-drawn tick; the word “done” or “holds” always stands with it for those who do not see it. */
export function Tick({ size = 14 }: { size?: number }) {
  return (
    <svg width={size} height={size} viewBox="0 0 14 14" aria-hidden="true">
      <path d="M1.5 7.5l4 4 7-9" fill="none" stroke="currentColor" strokeWidth="2.2" strokeLinecap="round" />
    </svg>
  )
}
