import { definePreset } from '@primeuix/themes'
import base from '@primeuix/themes/aura/base'
import button from '@primeuix/themes/aura/button'
import checkbox from '@primeuix/themes/aura/checkbox'
import inputtext from '@primeuix/themes/aura/inputtext'
import progressbar from '@primeuix/themes/aura/progressbar'
import ripple from '@primeuix/themes/aura/ripple'
import select from '@primeuix/themes/aura/select'
import textarea from '@primeuix/themes/aura/textarea'

/** Of the library's own look what its parts need on pages open to everybody; the rest comes with `app/inside`. */
const aura = {
  ...base,
  components: { button, checkbox, inputtext, progressbar, ripple, select, textarea },
}

/** Paper, spruce ink, mint, brass and clay as PrimeVue's tokens; our own styles take the same colours from look.css. */
export const mint = definePreset(aura, {
  primitive: {
    borderRadius: { none: '0', xs: '2px', sm: '3px', md: '4px', lg: '6px', xl: '8px' },
    spruce: {
      50: '#E6F6EE',
      100: '#D3EFE1',
      200: '#BFE8D4',
      300: '#93D0B5',
      400: '#5FA98D',
      500: '#1F5A4B',
      600: '#1B4F42',
      700: '#173A32',
      800: '#122F28',
      900: '#0D231E',
      950: '#081713',
    },
  },
  semantic: {
    primary: {
      50: '{spruce.50}',
      100: '{spruce.100}',
      200: '{spruce.200}',
      300: '{spruce.300}',
      400: '{spruce.400}',
      500: '{spruce.500}',
      600: '{spruce.600}',
      700: '{spruce.700}',
      800: '{spruce.800}',
      900: '{spruce.900}',
      950: '{spruce.950}',
    },
    formField: {
      paddingX: '0.6rem',
      paddingY: '0.36rem',
      sm: { fontSize: '0.95rem', paddingX: '0.5rem', paddingY: '0.26rem' },
    },
    list: { padding: '0.25rem', option: { padding: '0.3rem 0.6rem' } },
    focusRing: { width: '2px', style: 'solid', color: '{primary.color}', offset: '2px' },
    colorScheme: {
      light: {
        surface: {
          0: '#FFFFFF',
          50: '#FBFAF5',
          100: '#F4F1E8',
          200: '#E8E3D6',
          300: '#DDD8C8',
          400: '#A9A896',
          500: '#6E7A72',
          600: '#56655E',
          700: '#3B4F48',
          800: '#264740',
          900: '#173A32',
          950: '#0D231E',
        },
        primary: {
          color: '{spruce.500}',
          contrastColor: '#FFFFFF',
          hoverColor: '{spruce.600}',
          activeColor: '{spruce.700}',
        },
        text: { color: '#173A32', hoverColor: '#0D231E', mutedColor: '#56655E', hoverMutedColor: '#3B4F48' },
        formField: {
          background: '#FFFFFF',
          borderColor: '#8E9A90',
          hoverBorderColor: '#56655E',
          placeholderColor: '#66736B',
        },
      },
      dark: {
        surface: {
          0: '#FFFFFF',
          50: '#F4F1E8',
          100: '#DDE6DF',
          200: '#C3D0C8',
          300: '#A3B5AB',
          400: '#83988D',
          500: '#5F766B',
          600: '#436056',
          700: '#2C4A41',
          800: '#1E3A32',
          900: '#142B25',
          950: '#0F211C',
        },
        primary: {
          color: '{spruce.200}',
          contrastColor: '#0D231E',
          hoverColor: '{spruce.100}',
          activeColor: '{spruce.50}',
        },
        text: { color: '#E8EFE9', hoverColor: '#FFFFFF', mutedColor: '#A9BDB2', hoverMutedColor: '#C3D0C8' },
        formField: {
          background: '#142B25',
          borderColor: '#5F766B',
          hoverBorderColor: '#83988D',
          placeholderColor: '#9DB1A6',
        },
      },
    },
  },
  components: {
    button: {
      colorScheme: {
        light: {
          root: {
            danger: {
              background: '#A8452F',
              hoverBackground: '#8F3A27',
              activeBackground: '#7A3121',
              borderColor: '#A8452F',
              hoverBorderColor: '#8F3A27',
              activeBorderColor: '#7A3121',
              color: '#FFFFFF',
            },
          },
        },
        dark: {
          root: {
            danger: {
              background: '#F0A08C',
              hoverBackground: '#F4B5A5',
              activeBackground: '#F7C8BC',
              borderColor: '#F0A08C',
              hoverBorderColor: '#F4B5A5',
              activeBorderColor: '#F7C8BC',
              color: '#43241B',
            },
          },
        },
      },
    },
  },
})

/** Adds what the parts of other pages need; to be there before any of them is drawn. */
export const addLooks = (looks: object) => void Object.assign(mint.components as object, looks)
