import { Box, Text } from '@chakra-ui/react'
import { memo } from 'react'
import type { BoxWords, HouseView } from '../../api/types'
import { AddressText } from '../../parts/AddressText'
import { Edge, type Mark } from '../../parts/Edge'
import { OutsideText } from '../../parts/OutsideText'
import { nameOf } from '../../parts/words'
import { wordsOf } from '../../parts/wordsOf'
import type { PlacedBox } from './layout/placement'
import { SocketButton } from './SocketButton'
import { useCard } from './useCard'

/** A box by its back panel: who it is on top, its sockets in their order along the edges. */
export const BoxCard = memo(function BoxCard(props: {
  box: PlacedBox
  house: HouseView
  on: boolean
  mark?: Mark
  words?: BoxWords
  /** Its own address. */
  own?: string
  /** What it may be at fault for, as a diagnosis at hand has it: 0 to 1. */
  suspect?: number
}) {
  const { box, house, on, mark, words, own, suspect } = props
  const { device, step } = box
  const press = useCard(device.id, on)
  return (
    <Box as="li" listStyleType="none" data-card>
      <Box
        as="button"
        tabIndex={-1}
        data-rove="card"
        position="absolute"
        style={{ left: box.x, top: box.y, width: box.w, height: box.h }}
        bg="sheet"
        border="2px solid"
        borderColor={mark === 'fault' ? 'brick' : on ? 'spruce' : 'ink'}
        outline={on ? '2px solid' : undefined}
        outlineColor="spruce"
        borderRadius="4px"
        textAlign="left"
        px="14px"
        pt="10px"
        display="flex"
        flexDirection="column"
        alignItems="flex-start"
        justifyContent="flex-start"
        cursor="pointer"
        aria-pressed={on}
        data-box={device.id}
        onClick={press}
      >
        {mark && <Edge mark={mark} />}
        {mark && <span className="sr-only">{mark}: </span>}
        {suspect !== undefined && (
          <Text
            as="span"
            position="absolute"
            top="-11px"
            left="10px"
            px="6px"
            bg="ochre"
            color="sheet"
            borderRadius="3px"
            fontSize="11px"
            fontWeight="700"
            data-suspect
          >
            suspected, {Math.max(1, Math.round(suspect * 100))} %
          </Text>
        )}
        <Text
          fontWeight="700"
          fontSize={box.w < 200 && device.name.length > (step ? 13 : 18) ? '14.5px' : '16px'}
          lineHeight="1.2"
          lineClamp={1}
          pr={step ? '36px' : '0'}
          maxW="100%"
          overflowWrap="anywhere"
          dir="auto"
          title={device.name}
        >
          {device.name}
        </Text>
        <Text fontSize="note" color="quiet" lineHeight="1.3" lineClamp={step || !own ? 2 : 1}>
          {words?.says}
        </Text>
        {!step && own && (
          <AddressText fontSize="note" lineHeight="1.3">
            {own.split('/')[0]}
          </AddressText>
        )}
      </Box>
      <Box as="ul" aria-label={`Sockets of ${device.name}`}>
        {box.ports.map((port) => (
          <SocketButton key={port.socket.port} box={box} port={port} house={house} />
        ))}
      </Box>
      {step && box.words && box.words.w > 90 && (
        <Box
          position="absolute"
          style={{ left: box.words.x, top: box.words.y, width: box.words.w }}
          pointerEvents="none"
        >
          {step.upper == null ? (
            <Text fontWeight="700" fontSize="small" color="ochre">
              {words?.step}
            </Text>
          ) : (
            <>
              <Text fontWeight="700" fontSize="small" color="plum" lineHeight="1.25">
                {words?.step}
              </Text>
              {step.passedBy && (
                <Text fontSize="note" color="quiet">
                  receives the line through {nameOf(house.document, step.passedBy)}
                </Text>
              )}
              {box.words.w > 180 && !wordsOf(house, device.id)?.handsLineOn && (
                <Text fontSize="note" color="quiet">
                  <OutsideText fontSize="note">
                    {step.outside.length ? step.outside.join(' or ') : 'no address outside'}
                  </OutsideText>
                  {step.translates && step.outside.length > 0 && step.inside ? (
                    <>
                      {' '}
                      becomes <AddressText fontSize="note">{step.inside.split('/')[0]}</AddressText>
                    </>
                  ) : null}
                </Text>
              )}
            </>
          )}
        </Box>
      )}
    </Box>
  )
})
