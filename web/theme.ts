import { createTheme, type CSSVariablesResolver, type MantineColorsTuple } from '@mantine/core';

const tide: MantineColorsTuple = ['#eaf3f2', '#dbeae8', '#b5d5d2', '#8bbfbb', '#66aaa6', '#429490', '#217d7b', '#0e666b', '#0a5458', '#064145'];
const brass: MantineColorsTuple = ['#fbf4e4', '#f6e8cc', '#eed39f', '#e6be72', '#e0a94a', '#cf9330', '#b0720f', '#935e0a', '#7e510a', '#5c3a05'];
const brick: MantineColorsTuple = ['#fbedea', '#f6ded8', '#ebbcb1', '#de978a', '#d07565', '#bd5746', '#a33e2e', '#8b3325', '#73281c', '#571c13'];
const moss: MantineColorsTuple = ['#eff4e9', '#deead3', '#c0d6ab', '#a1c183', '#86ae60', '#699646', '#4c7638', '#40642e', '#335224', '#243c18'];
const slate: MantineColorsTuple = ['#f1ece0', '#c9d3d2', '#a3b1b3', '#7f9094', '#5b696d', '#3f5057', '#2c3c43', '#223138', '#1c2a30', '#141f24'];

/** Paper, ink, brass and tide, for Mantine. */
export const theme = createTheme({
  colors: { tide, brass, brick, moss, dark: slate },
  primaryColor: 'tide',
  primaryShade: { light: 7, dark: 3 },
  autoContrast: true,
  fontFamily: '"IBM Plex Sans", sans-serif',
  fontFamilyMonospace: '"IBM Plex Mono", monospace',
  defaultRadius: 6,
  fontSizes: { xs: '12px', sm: '13.5px', md: '14px', lg: '17px', xl: '22px' },
  headings: { fontFamily: '"IBM Plex Sans", sans-serif', fontWeight: '600' },
  respectReducedMotion: true,
  components: {
    Tooltip: { defaultProps: { openDelay: 400, withinPortal: true } },
    Button: { defaultProps: { size: 'xs' } },
    TextInput: { defaultProps: { size: 'xs' } },
    NumberInput: { defaultProps: { size: 'xs' } },
    // Lists are made when they are opened: made beforehand, each is placed beside its field at once, which lays the page out again.
    Combobox: { defaultProps: { keepMounted: false } },
    Select: { defaultProps: { size: 'xs', comboboxProps: { shadow: 'sm' } } },
    TagsInput: { defaultProps: { size: 'xs' } },
    Textarea: { defaultProps: { size: 'xs' } },
    ColorInput: { defaultProps: { size: 'xs' } },
    Switch: { defaultProps: { size: 'xs' } },
    SegmentedControl: { defaultProps: { size: 'xs', withItemsBorders: false } },
  },
});

const light = {
  '--paper': '#f5f2eb', '--paper-deep': '#efebe1', '--panel': '#fffefb', '--ink': '#1c2a30', '--soft': '#5b696d', '--line': '#ddd6c8', '--hair': '#eae4d8',
  '--tide': '#0e666b', '--tide-soft': '#dbeae8', '--on-tide': '#ffffff', '--brass': '#e0a94a', '--brass-deep': '#8a5a0b', '--brass-soft': '#f6e8cc',
  '--brick': '#a33e2e', '--brick-soft': '#f6ded8', '--moss': '#47702f', '--moss-soft': '#deead3', '--bar': '#1c2a30', '--bar-ink': '#f1ece0', '--bar-soft': '#c4cfce', '--bar-line': '#43545a',
  '--stage-near': '#fbf9f3', '--stage-mid': '#eee9dd', '--stage-far': '#e2dbcb', '--grid': '#cfc7b5',
};
const dark = {
  '--paper': '#182329', '--paper-deep': '#1c282f', '--panel': '#202e35', '--ink': '#f1ece0', '--soft': '#a9b6b7', '--line': '#36464d', '--hair': '#2b3a41',
  '--tide': '#6fbdb8', '--tide-soft': '#24484a', '--on-tide': '#10201f', '--brass': '#e0a94a', '--brass-deep': '#ebc27a', '--brass-soft': '#4a3a1c',
  '--brick': '#ee9a8b', '--brick-soft': '#4d2b26', '--moss': '#a5cc85', '--moss-soft': '#2c3f24', '--bar': '#10191d', '--bar-ink': '#f1ece0', '--bar-soft': '#c4cfce', '--bar-line': '#43545a',
  '--stage-near': '#2c3c44', '--stage-mid': '#223038', '--stage-far': '#1a262d', '--grid': '#3f5058',
};

/** The colours of the look as CSS variables, by day and by night. */
export const variables: CSSVariablesResolver = () => ({
  variables: {},
  light: { ...light, '--mantine-color-body': light['--paper'], '--mantine-color-text': light['--ink'], '--mantine-color-dimmed': light['--soft'], '--mantine-color-default-border': light['--line'], '--mantine-color-default': light['--panel'], '--mantine-color-error': light['--brick'] },
  dark: { ...dark, '--mantine-color-body': dark['--paper'], '--mantine-color-text': dark['--ink'], '--mantine-color-dimmed': dark['--soft'], '--mantine-color-default-border': dark['--line'], '--mantine-color-default': dark['--panel'], '--mantine-color-error': dark['--brick'] },
});
