import { Box } from '@chakra-ui/react'

const notch =
  "url(\"data:image/svg+xml,%3Csvg xmlns='http://www.w3.org/2000/svg' width='6' height='8'%3E%3Cpath d='M6 0L0 4L6 8Z'/%3E%3C/svg%3E\")"

export type Mark = 'fault' | 'caution'

/** The left edge of a card: notched for a fault, dashed for a caution, so that colour is never alone. */
export function Edge({ mark }: { mark: Mark }) {
  const place = { position: 'absolute', top: '-1px', bottom: '-1px', pointerEvents: 'none' } as const
  if (mark === 'fault')
    return (
      <Box
        {...place}
        aria-hidden
        className="edge-fault"
        left="-6px"
        w="6px"
        bg="brick"
        style={{
          maskImage: notch,
          maskRepeat: 'repeat-y',
          WebkitMaskImage: notch,
          WebkitMaskRepeat: 'repeat-y',
        }}
      />
    )
  return <Box {...place} aria-hidden left="-2px" borderLeft="3px dashed" borderColor="ochre" />
}
