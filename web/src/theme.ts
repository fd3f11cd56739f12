import { createSystem, defaultBaseConfig, defineConfig, defineRecipe } from '@chakra-ui/react'
import {
  animationStyles,
  breakpoints,
  buttonRecipe,
  checkboxSlotRecipe,
  checkmarkRecipe,
  cssVarsPrefix,
  cssVarsRoot,
  dialogSlotRecipe,
  drawerSlotRecipe,
  fieldSlotRecipe,
  globalCss,
  headingRecipe,
  inputRecipe,
  keyframes,
  layerStyles,
  nativeSelectSlotRecipe,
  segmentGroupSlotRecipe,
  semanticTokens,
  spinnerRecipe,
  switchSlotRecipe,
  textareaRecipe,
  textStyles,
  toastSlotRecipe,
  tokens,
} from '@chakra-ui/react/theme'

const pair = (light: string, dark: string) => ({ value: { base: light, _dark: dark } })

/** A button: verbs on it, five looks, never smaller than a thumb on a phone. */
const press = defineRecipe({
  base: {
    display: 'inline-flex',
    alignItems: 'center',
    justifyContent: 'center',
    minH: 'press',
    minW: { base: 'press', md: '0' },
    maxW: '100%',
    px: '12px',
    py: '3px',
    borderWidth: '1.5px',
    borderRadius: '4px',
    fontSize: 'small',
    fontWeight: '650',
    lineHeight: '1.25',
    textAlign: 'left',
    cursor: 'pointer',
    _disabled: { opacity: 0.45, cursor: 'default' },
    // Said by the edge and not by paling: a word that cannot be read is no sign.
    '&[aria-busy=true]': { borderStyle: 'dashed', cursor: 'progress' },
  },
  variants: {
    kind: {
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
    },
  },
  defaultVariants: { kind: 'other' },
})

/**
 * The library gives every element some thirty variables of its own, to be found there by looks that are not used here, and every element
 * its own colour of what is selected on it. Said once at the root both are handed down as they are; a large table is styled in half the time.
 */
const { '*': everywhere, html: root, '*::selection': selected, ...others } = globalCss

/** Of the library's looks those of the parts that are used here: the rest would be half of what the first page has to fetch. */
const used = defineConfig({
  preflight: true,
  cssVarsPrefix,
  cssVarsRoot,
  globalCss: { ...others, html: { ...everywhere, ...root }, 'html::selection': selected },
  theme: {
    breakpoints,
    keyframes,
    tokens,
    semanticTokens,
    textStyles,
    layerStyles,
    animationStyles,
    recipes: {
      button: buttonRecipe,
      checkmark: checkmarkRecipe,
      heading: headingRecipe,
      input: inputRecipe,
      spinner: spinnerRecipe,
      textarea: textareaRecipe,
    },
    slotRecipes: {
      checkbox: checkboxSlotRecipe,
      dialog: dialogSlotRecipe,
      drawer: drawerSlotRecipe,
      field: fieldSlotRecipe,
      nativeSelect: nativeSelectSlotRecipe,
      segmentGroup: segmentGroupSlotRecipe,
      switch: switchSlotRecipe,
      toast: toastSlotRecipe,
    },
  },
})

/** Calm paper, ink lines; the names are those of the design, not of hues. */
const config = defineConfig({
  globalCss: {
    'html, body, #root': { height: '100%' },
    // A page that is longer than the window is paper to its end.
    html: { bg: 'paper' },
    body: { bg: 'paper', color: 'ink', fontFamily: 'body', fontSize: 'text', lineHeight: '1.4' },
    '*:focus-visible': { outline: '2px solid', outlineColor: 'spruce', outlineOffset: '2px' },
  },
  theme: {
    // Below 1,000 px there is one column of work: that is also what 128 % of a small laptop is.
    breakpoints: { sm: '30rem', md: '62.5rem', lg: '70rem' },
    recipes: { press },
    tokens: {
      fonts: {
        body: { value: "'Atkinson Hyperlegible Next Variable', sans-serif" },
        heading: { value: "'Atkinson Hyperlegible Next Variable', sans-serif" },
        mono: { value: "'Atkinson Hyperlegible Mono Variable', monospace" },
      },
      fontSizes: {
        note: { value: '13px' },
        small: { value: '14px' },
        text: { value: '15px' },
        section: { value: '16px' },
        stage: { value: '20px' },
      },
      sizes: {
        spine: { value: '148px' },
        verdict: { value: '320px' },
        line: { value: '44px' },
        thumb: { value: '44px' },
      },
    },
    textStyles: {
      stage: { value: { fontSize: 'stage', fontWeight: '700', lineHeight: '1.25' } },
      section: { value: { fontSize: 'section', fontWeight: '700', lineHeight: '1.3' } },
      small: { value: { fontSize: 'small' } },
      note: { value: { fontSize: 'note', color: 'quiet' } },
    },
    semanticTokens: {
      sizes: {
        press: { value: { base: '44px', md: '28px' } },
        field: { value: { base: '44px', md: '30px' } },
      },
      colors: {
        paper: pair('#FAF7F0', '#12191A'),
        sheet: pair('#FFFEFA', '#192224'),
        ink: pair('#1C2B2D', '#ECE7DB'),
        quiet: pair('#566264', '#A9B1AE'),
        hairline: pair('#DDD8CB', '#303B3C'),
        spruce: pair('#1F5F66', '#6FB7BD'),
        spruceWash: pair('#E3ECEA', '#1E3033'),
        onSpruce: pair('#FFFEFA', '#0E1516'),
        plum: pair('#6B3F69', '#C79BC4'),
        brick: pair('#A8322A', '#F08A7E'),
        ochre: pair('#8A5A00', '#E2B04A'),
        moss: pair('#3F6B2B', '#9CCB7F'),
        tread1: pair('#E2EAE5', '#1B2A2A'),
        tread2: pair('#ECE0EA', '#2A2230'),
        tread3: pair('#EFE6D2', '#2D2819'),
        tread4: pair('#E0E6EE', '#1D2733'),
        tread5: pair('#EBE2DC', '#2E2420'),
        hatch: pair('#1C2B2D', '#ECE7DB'),
      },
    },
  },
})

export const system = createSystem(defaultBaseConfig, used, config)
