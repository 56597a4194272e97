import { definePreset } from '@primeuix/themes';
import Aura from '@primeuix/themes/aura';

const ink = {
  50: '#eef0fb',
  100: '#d9ddf5',
  200: '#b6beeb',
  300: '#8f9bdd',
  400: '#6473c8',
  500: '#2f3f9e',
  600: '#2a388d',
  700: '#232f76',
  800: '#1c265f',
  900: '#161d49',
  950: '#0e1330',
};
const paper = {
  0: '#fffdf7',
  50: '#fcf9f1',
  100: '#f5efe2',
  200: '#e8dfcb',
  300: '#d8cdb6',
  400: '#a89c84',
  500: '#6b6250',
  600: '#5d5547',
  700: '#453f34',
  800: '#2f2b24',
  900: '#211e19',
  950: '#191713',
};

/** Paper, ink and one strong blue-black accent; little rounding, hardly any shadow. */
export const levamenPreset = definePreset(Aura, {
  primitive: { borderRadius: { none: '0', xs: '1px', sm: '2px', md: '3px', lg: '3px', xl: '4px' } },
  semantic: {
    primary: ink,
    focusRing: { width: '2px', style: 'solid', color: '{primary.color}', offset: '2px' },
    colorScheme: {
      light: {
        surface: paper,
        primary: {
          color: '#2f3f9e',
          contrastColor: '#ffffff',
          hoverColor: '#2a388d',
          activeColor: '#232f76',
        },
        text: { color: '#26221c', hoverColor: '#26221c', mutedColor: '#5d5547', hoverMutedColor: '#453f34' },
        formField: { background: '#fffdf7', borderColor: '#8c816b', placeholderColor: '#6b6250' },
      },
      dark: {
        surface: paper,
        primary: {
          color: '#aab6ff',
          contrastColor: '#15183a',
          hoverColor: '#bfc8ff',
          activeColor: '#d3d9ff',
        },
        text: { color: '#efe7d6', hoverColor: '#ffffff', mutedColor: '#b9ae99', hoverMutedColor: '#d8cdb6' },
        formField: { background: '#2a261f', borderColor: '#8c816b', placeholderColor: '#b9ae99' },
      },
    },
  },
});
