import { Button, type ButtonProps } from '@chakra-ui/react'

type Kind = 'main' | 'other' | 'plain' | 'danger' | 'inverse'

const looks: Record<Kind, ButtonProps> = {
  main: { bg: 'spruce', color: 'onSpruce', borderColor: 'spruce', _hover: { opacity: 0.9 } },
  other: { bg: 'transparent', color: 'spruce', borderColor: 'spruce', _hover: { bg: 'spruceWash' } },
  plain: {
    bg: 'transparent',
    color: 'spruce',
    borderColor: 'transparent',
    px: '4px',
    _hover: { bg: 'spruceWash' },
  },
  danger: { bg: 'transparent', color: 'brick', borderColor: 'brick', _hover: { bg: 'spruceWash' } },
  inverse: { bg: 'transparent', color: 'paper', borderColor: 'paper' },
}

/** A button. Verbs on it, four looks, never smaller than a thumb on a phone. */
export function Press({ kind = 'other', ...props }: ButtonProps & { kind?: Kind }) {
  return (
    <Button
      type="button"
      size="sm"
      h="auto"
      minH={{ base: '40px', md: '28px' }}
      px="12px"
      py="3px"
      borderWidth="1.5px"
      borderRadius="4px"
      fontSize="14px"
      fontWeight="650"
      lineHeight="1.25"
      whiteSpace="normal"
      textAlign="left"
      transition="none"
      maxW="100%"
      _disabled={{ opacity: 0.45, cursor: 'default' }}
      {...looks[kind]}
      {...props}
    />
  )
}
