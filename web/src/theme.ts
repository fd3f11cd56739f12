import { createSystem, defaultConfig, defineConfig } from '@chakra-ui/react'

const pair = (light: string, dark: string) => ({ value: { base: light, _dark: dark } })

/** Calm paper, ink lines; the names are those of the design, not of hues. */
const config = defineConfig({
  globalCss: {
    'html, body, #root': { height: '100%' },
    body: { bg: 'paper', color: 'ink', fontFamily: 'body', fontSize: '15px', lineHeight: '1.4' },
    '*:focus-visible': { outline: '2px solid', outlineColor: 'spruce', outlineOffset: '2px' },
  },
  theme: {
    tokens: {
      fonts: {
        body: { value: "'Atkinson Hyperlegible Next Variable', sans-serif" },
        heading: { value: "'Atkinson Hyperlegible Next Variable', sans-serif" },
        mono: { value: "'Atkinson Hyperlegible Mono Variable', monospace" },
      },
    },
    semanticTokens: {
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

export const system = createSystem(defaultConfig, config)
