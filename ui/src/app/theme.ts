import { createTheme, type MantineColorsTuple, Modal } from '@mantine/core';

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

export const theme = createTheme({
  fontFamily: "'Atkinson Hyperlegible Next Variable', 'DejaVu Sans', sans-serif",
  headings: { fontFamily: "'Atkinson Hyperlegible Next Variable', 'DejaVu Sans', sans-serif" },
  colors: { bath },
  primaryColor: 'bath',
  primaryShade: { light: 7, dark: 7 },
  defaultRadius: 3,
  components: {
    // Its cross carries no word of its own.
    Modal: Modal.extend({ defaultProps: { closeButtonProps: { 'aria-label': 'Close' } } }),
  },
  fontSizes: { xs: '14px', sm: '15px', md: '17px', lg: '19px', xl: '22px' },
});
