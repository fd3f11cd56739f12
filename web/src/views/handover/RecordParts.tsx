import { Box, Heading, Table, Text } from '@chakra-ui/react'
import type { RecordPart } from '../../api/types'

/** The pieces of a record as the core tells them. */
export function RecordParts({ parts }: { parts: RecordPart[] }) {
  return parts.map((part, i) => {
    // A record has no ids; its order is its order.
    const key = `${i}`
    switch (part.kind) {
      case 'heading':
        return part.level === 2 ? (
          <Heading
            key={key}
            as="h2"
            fontSize="18px"
            mt="18px"
            pt="8px"
            borderTop="1px solid"
            borderColor="hairline"
            css={{ breakAfter: 'avoid' }}
          >
            {part.text}
          </Heading>
        ) : (
          <Heading key={key} as="h3" fontSize="15px" mt="12px" dir="auto" css={{ breakAfter: 'avoid' }}>
            {part.text}
          </Heading>
        )
      case 'line':
        return (
          <Text key={key} mt="6px" overflowWrap="anywhere">
            {part.text}
          </Text>
        )
      case 'items':
        return (
          <Box key={key} as="ul" pl="20px" listStyleType="disc" mt="6px" css={{ breakInside: 'avoid' }}>
            {part.items.map((item, at) => (
              <Box as="li" key={`${key}-${at + 0}`} overflowWrap="anywhere">
                {item}
              </Box>
            ))}
          </Box>
        )
      case 'table':
        return <Wants key={key} rows={part.rows} />
      default:
        return null
    }
  })
}

function Wants({ rows: [head, ...rows] }: { rows: string[][] }) {
  return (
    <Table.Root size="sm" mt="8px" css={{ '& td, & th': { whiteSpace: 'normal', color: 'inherit' } }}>
      <Table.Header>
        <Table.Row bg="transparent">
          {head.map((cell) => (
            <Table.ColumnHeader key={cell}>{cell}</Table.ColumnHeader>
          ))}
        </Table.Row>
      </Table.Header>
      <Table.Body>
        {rows.map((row, at) => (
          <Table.Row key={`${at + 0}-${row[0]}`} bg="transparent" css={{ breakInside: 'avoid' }}>
            {row.map((cell, column) => (
              <Table.Cell key={`${head[column]}`}>{cell}</Table.Cell>
            ))}
          </Table.Row>
        ))}
      </Table.Body>
    </Table.Root>
  )
}
