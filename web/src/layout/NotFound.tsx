import { Box, Heading, Text } from '@chakra-ui/react'
import { Link } from 'react-router'

export function NotFound({ what = 'There is no such page.' }: { what?: string }) {
  return (
    <Box as="main" p="48px" maxW="560px">
      <Heading as="h1" fontSize="24px">
        {what}
      </Heading>
      <Text mt="12px" color="spruce" textDecoration="underline">
        <Link to="/">Back to the jobs</Link>
      </Text>
    </Box>
  )
}
