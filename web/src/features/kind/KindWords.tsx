import { Box, Text } from '@chakra-ui/react'
import type { KitView } from '../../api/types'

/** What is known of a kind: how it is set, what its page calls things, what its lamps say. */
export function KindWords({ kind }: { kind: KitView }) {
  return (
    <Box mt="10px" maxW="640px">
      <Text textStyle="small">{kind.about}</Text>
      <Text textStyle="small" mt="4px">
        {kind.says} {kind.past}
      </Text>
      <Words title="Its page" pairs={kind.menus} />
      <Words title="Its lamps" pairs={kind.lamps} />
    </Box>
  )
}

function Words({ title, pairs }: { title: string; pairs: KitView['menus'] }) {
  if (pairs.length === 0) return null
  return (
    <details className="words">
      <summary>{title}</summary>
      <dl>
        {pairs.map((pair) => (
          <div key={pair.what}>
            <dt>{pair.what}</dt>
            <dd>{pair.say}</dd>
          </div>
        ))}
      </dl>
    </details>
  )
}
