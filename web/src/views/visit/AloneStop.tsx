import { Box, Flex, Text } from '@chakra-ui/react'
import { useSettings } from '../../features/box/useSettings'
import { useJob } from '../../layout/JobContext'
import { Toggle } from '../../parts/Toggle'

/** What the provider or the owner wants left alone, and what must be used. */
export function AloneStop() {
  const { house } = useJob()
  const { orSay } = useSettings()
  const boxes = house.document.devices ?? []
  return (
    <Box>
      <Text textStyle="small" color="quiet" mb="8px">
        Ask. What is left alone keeps its settings, though its sockets may be used; what must be used is in
        every plan. The provider’s terms decide what of its box may be opened.
      </Text>
      {boxes.length === 0 && <Text>No box yet.</Text>}
      <Box as="ul" listStyleType="none">
        {boxes.map((box) => (
          <Flex
            as="li"
            key={box.id}
            gap="4px 18px"
            wrap="wrap"
            align="center"
            py="4px"
            borderBottom="1px solid"
            borderColor="hairline"
          >
            <Text w="200px" fontWeight="650" overflowWrap="anywhere" dir="auto">
              {box.name}
            </Text>
            <fieldset className="bare">
              <legend className="sr-only">{box.name}</legend>
              <Flex gap="4px 18px" wrap="wrap">
                <Toggle
                  label="leave it alone"
                  on={box.leaveAsFound === true}
                  set={(on) =>
                    orSay({ do: 'describe-device', box: { ...box, leaveAsFound: on || undefined } })
                  }
                />
                <Toggle
                  label="use this one"
                  on={box.mustUse === true}
                  set={(on) => orSay({ do: 'describe-device', box: { ...box, mustUse: on || undefined } })}
                />
              </Flex>
            </fieldset>
          </Flex>
        ))}
      </Box>
    </Box>
  )
}
