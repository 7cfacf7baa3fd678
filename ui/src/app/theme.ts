import { createTheme, type MantineColorsTuple } from '@mantine/core';

/** The one accent: the blue-green of a quench bath. */
const bath: MantineColorsTuple = [
  '#e6f4f4',
  '#d0e5e6',
  '#a2cbcd',
  '#70b0b3',
  '#48989c',
  '#2e898e',
  '#1c7f84',
  '#0b6a70',
  '#005d62',
  '#004e53',
];

const fontFamily = "'Atkinson Hyperlegible Next Variable', 'DejaVu Sans', sans-serif";
const md = { defaultProps: { size: 'md' as const } };

/**
 * Sizes, words and ways that every component begins with, by name: none is fetched for it. What md measures, for gloves, stands in
 * look.css.
 */
export const theme = createTheme({
  fontFamily,
  headings: { fontFamily },
  colors: { bath },
  primaryColor: 'bath',
  primaryShade: { light: 7, dark: 7 },
  defaultRadius: 3,
  respectReducedMotion: true,
  components: {
    Button: md,
    Checkbox: { defaultProps: { size: 'lg' } },
    Loader: { defaultProps: { m: 'xl' } },
    Input: md,
    InputWrapper: md,
    TextInput: md,
    PasswordInput: md,
    Textarea: md,
    Switch: md,
    Select: { defaultProps: { size: 'md', allowDeselect: false } },
    // Numbers are typed with a point or a comma, whatever the keyboard.
    NumberInput: {
      defaultProps: {
        size: 'md',
        hideControls: true,
        decimalSeparator: '.',
        allowedDecimalSeparators: ['.', ','],
      },
    },
    // Its cross carries no word of its own, and its head is no second head of the page.
    Modal: {
      defaultProps: {
        closeButtonProps: { 'aria-label': 'Close' },
        attributes: { header: { role: 'none' } },
      },
    },
  },
  fontSizes: { xs: '14px', sm: '15px', md: '17px', lg: '19px', xl: '22px' },
});
