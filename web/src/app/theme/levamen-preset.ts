import { definePreset } from '@primeuix/themes';
import base from '@primeuix/themes/aura/base';
import button from '@primeuix/themes/aura/button';
import checkbox from '@primeuix/themes/aura/checkbox';
import dialog from '@primeuix/themes/aura/dialog';
import iconfield from '@primeuix/themes/aura/iconfield';
import inputtext from '@primeuix/themes/aura/inputtext';
import ripple from '@primeuix/themes/aura/ripple';
import select from '@primeuix/themes/aura/select';
import selectbutton from '@primeuix/themes/aura/selectbutton';
import textarea from '@primeuix/themes/aura/textarea';
import togglebutton from '@primeuix/themes/aura/togglebutton';
import toggleswitch from '@primeuix/themes/aura/toggleswitch';
import tooltip from '@primeuix/themes/aura/tooltip';
import virtualscroller from '@primeuix/themes/aura/virtualscroller';

/** Only what the page uses: a whole theme weighs as much as two stages. */
const plain = {
  ...base,
  components: {
    button,
    checkbox,
    dialog,
    iconfield,
    inputtext,
    ripple,
    select,
    selectbutton,
    textarea,
    togglebutton,
    toggleswitch,
    tooltip,
    virtualscroller,
  },
};

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

/** A button that takes away what does not come back, in the colour of what fails. */
const danger = (color: string, contrast: string, strong: string) => ({
  root: {
    danger: {
      background: color,
      hoverBackground: strong,
      activeBackground: strong,
      borderColor: color,
      hoverBorderColor: strong,
      activeBorderColor: strong,
      color: contrast,
      hoverColor: contrast,
      activeColor: contrast,
    },
  },
  outlined: { danger: { color, borderColor: color } },
  text: { danger: { color } },
});

/** Paper, ink and one strong blue-black accent; little rounding, hardly any shadow. */
export const levamenPreset = definePreset(plain, {
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
  components: {
    button: {
      colorScheme: {
        light: danger('#a3231f', '#ffffff', '#83201c'),
        dark: danger('#ff9d94', '#2a0f0d', '#ffb9b3'),
      },
    },
  },
});
