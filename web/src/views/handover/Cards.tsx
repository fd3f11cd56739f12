import { Box, Flex, Text } from '@chakra-ui/react'
import { useState } from 'react'
import { wifiCards } from '../../api/queries'
import type { HandoverView, WifiCard } from '../../api/types'
import { useJob } from '../../layout/JobContext'
import { Press } from '../../parts/Press'
import { Problem } from '../../parts/Problem'
import { Toggle } from '../../parts/Toggle'
import { Code } from './Code'

/** Cards for the networks that are chosen; a password only where somebody asks for it. */
export function Cards({ networks }: { networks: HandoverView['networks'] }) {
  const { job } = useJob()
  const [chosen, setChosen] = useState(() => networks.map((one) => one.ssid))
  const [withPasswords, setWith] = useState(false)
  const [cards, setCards] = useState<WifiCard[]>([])
  const [problem, setProblem] = useState<string>()
  const names = [...new Map(networks.map((one) => [one.ssid, one])).values()]
  if (names.length === 0)
    return (
      <Text mt="16px" color="quiet">
        No Wi-Fi network is on the air in this house.
      </Text>
    )
  const make = async () => {
    try {
      setCards(await wifiCards(job.id, chosen, withPasswords))
      setProblem(undefined)
    } catch (refused) {
      setProblem(refused instanceof Error ? refused.message : 'That did not work.')
    }
  }
  return (
    <Box mt="14px" maxW="760px">
      <Box className="no-print">
        <Flex gap="4px 18px" wrap="wrap">
          {names.map((one) => (
            <Toggle
              key={one.ssid}
              label={`${one.ssid}${one.guest ? ', for guests' : ''}${one.key && !one.isNoted ? ' (password not noted)' : ''}`}
              on={chosen.includes(one.ssid)}
              set={(on) =>
                setChosen((now) => (on ? [...now, one.ssid] : now.filter((ssid) => ssid !== one.ssid)))
              }
            />
          ))}
        </Flex>
        <Toggle
          label="Print the passwords too: whoever sees the card can join"
          on={withPasswords}
          set={setWith}
        />
        <Flex gap="10px" mt="8px" wrap="wrap">
          <Press kind="main" onClick={make}>
            Make the cards
          </Press>
          {cards.length > 0 && <Press onClick={() => window.print()}>Print</Press>}
        </Flex>
        <Problem mt="8px">{problem}</Problem>
      </Box>
      <Flex gap="14px" wrap="wrap" mt="14px">
        {cards.map((card) => (
          <Flex
            key={card.ssid}
            data-card
            border="1px solid"
            borderColor="ink"
            w="340px"
            maxW="100%"
            p="14px"
            gap="14px"
            align="center"
            bg="#fff"
            color="#000"
            css={{ breakInside: 'avoid' }}
          >
            {card.code && <Code svg={card.code} says={`Joins ${card.ssid}`} />}
            <Box minW="0">
              <Text fontSize="13px">{card.guest ? 'Wi-Fi for guests' : 'Wi-Fi'}</Text>
              <Text fontSize="22px" fontWeight="700" overflowWrap="anywhere" dir="auto">
                {card.ssid}
              </Text>
              <Text fontSize="15px" fontFamily="mono" overflowWrap="anywhere">
                {card.password ?? (card.code ? 'open, no password' : 'Password: ________________')}
              </Text>
            </Box>
          </Flex>
        ))}
      </Flex>
    </Box>
  )
}
