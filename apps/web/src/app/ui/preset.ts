import { definePreset } from '@primeuix/themes';
import base from '@primeuix/themes/aura/base';
import button from '@primeuix/themes/aura/button';
import checkbox from '@primeuix/themes/aura/checkbox';
import datepicker from '@primeuix/themes/aura/datepicker';
import dialog from '@primeuix/themes/aura/dialog';
import drawer from '@primeuix/themes/aura/drawer';
import iconfield from '@primeuix/themes/aura/iconfield';
import inputtext from '@primeuix/themes/aura/inputtext';
import multiselect from '@primeuix/themes/aura/multiselect';
import popover from '@primeuix/themes/aura/popover';
import radiobutton from '@primeuix/themes/aura/radiobutton';
import select from '@primeuix/themes/aura/select';
import selectbutton from '@primeuix/themes/aura/selectbutton';
import textarea from '@primeuix/themes/aura/textarea';
import togglebutton from '@primeuix/themes/aura/togglebutton';

/** Pomek's own tokens over the bare structure of the components in use; see docs/design-language.md. */
export const pomekPreset = definePreset(
  {
    ...base,
    components: {
      button,
      checkbox,
      datepicker,
      dialog,
      drawer,
      iconfield,
      inputtext,
      multiselect,
      popover,
      radiobutton,
      select,
      selectbutton,
      textarea,
      togglebutton,
    },
  },
  {
    primitive: {
      borderRadius: { none: '0', xs: '2px', sm: '3px', md: '4px', lg: '4px', xl: '6px' },
      // What ends something is the red of the palette.
      red: {
        50: '#f8e1dd',
        100: '#f3cdc6',
        200: '#ebab9f',
        300: '#ffc0b6',
        400: '#ff9d8f',
        500: '#a3271b',
        600: '#8e2117',
        700: '#771b13',
        800: '#5c150e',
        900: '#47221d',
        950: '#2b120e',
      },
    },
    semantic: {
      transitionDuration: '0.12s',
      focusRing: { width: '3px', style: 'solid', color: 'var(--pk-focus)', offset: '2px' },
      primary: {
        50: '#e6f2ee',
        100: '#c5e0d8',
        200: '#9fcbbe',
        300: '#6fb3a1',
        400: '#3f9480',
        500: '#0f5c4e',
        600: '#0d5145',
        700: '#0a4339',
        800: '#08352d',
        900: '#052720',
        950: '#031a15',
      },
      formField: {
        paddingX: '0.75rem',
        paddingY: '0.5rem',
        focusRing: { width: '3px', style: 'solid', color: 'var(--pk-focus)', offset: '1px' },
      },
      colorScheme: {
        light: {
          surface: {
            0: '#fbfcfa',
            50: '#f3f6f3',
            100: '#e7ece8',
            200: '#d5ddd8',
            300: '#b9c5bf',
            400: '#7e8f89',
            500: '#4c5d58',
            600: '#3f504b',
            700: '#1d2b29',
            800: '#16211f',
            900: '#101918',
            950: '#0a1110',
          },
          formField: { borderColor: '#7e8f89', placeholderColor: '#55665f' },
        },
        dark: {
          surface: {
            0: '#eef3ef',
            50: '#dde5e0',
            100: '#c9d5cf',
            200: '#b3c2bb',
            300: '#9fb0a8',
            400: '#8fa29a',
            500: '#6c8078',
            600: '#4b5e57',
            700: '#34453f',
            800: '#26342f',
            900: '#1b2622',
            950: '#121a17',
          },
          primary: { color: '#74d3bb', contrastColor: '#06231d', hoverColor: '#8fdfca', activeColor: '#a9e9d8' },
          formField: { borderColor: '#8fa29a', placeholderColor: '#b3c2bb' },
        },
      },
    },
  },
);
