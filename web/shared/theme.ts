import type { ThemeConfig } from 'antd';

/** The colours with a meaning; docs/look.md says which. The same values stand in app/look.css. */
export const INK = '#2a2622';
export const PAPER = '#f7f3ea';
export const THREAD = '#8a2f4a';
const LINE = '#cfc6b4';

/** The component library, dressed as the workroom. */
export const theme: ThemeConfig = {
  token: {
    colorPrimary: THREAD,
    colorInfo: THREAD,
    colorLink: THREAD,
    colorSuccess: '#4a5d2f',
    colorWarning: '#8a5a00',
    colorError: '#a32a1c',
    colorText: INK,
    colorTextSecondary: '#5b5348',
    colorTextTertiary: '#5b5348',
    colorTextDescription: '#5b5348',
    colorTextPlaceholder: '#756b5c',
    colorTextDisabled: '#6b6152',
    colorBgBase: PAPER,
    colorBgContainer: '#fffdf8',
    colorBgElevated: '#fffdf8',
    colorBgLayout: PAPER,
    colorBorder: '#8f8470',
    colorBorderSecondary: LINE,
    borderRadius: 2,
    wireframe: false,
    boxShadow: 'none',
    boxShadowSecondary: '0 2px 10px rgb(42 38 34 / 0.18)',
    fontFamily: "'Source Sans 3 Variable', sans-serif",
    fontSize: 17,
    controlHeight: 40,
    // Quick and calm: nothing slides or fades, so nothing moves away under a hand.
    motion: false,
  },
  components: {
    Button: { primaryShadow: 'none', defaultShadow: 'none', dangerShadow: 'none' },
    Form: { itemMarginBottom: 14, verticalLabelPadding: '0 0 2px' },
  },
};
