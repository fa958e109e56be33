import type { ThemeConfig } from 'ant-design-vue/es/config-provider/context'

/** The colours of the drafting table; the stylesheet's tokens say the same for what is not Ant Design's. */
export const ink = '#22303C'
export const paper = '#F4F1EA'
export const sheet = '#FFFFFF'
export const hairline = '#D8D2C4'
export const verdigris = '#2F7F79'
export const plum = '#6A3D7C'
export const ochre = '#B97A14'
export const brick = '#A8432B'
/** Ink thinned for second-rank text; 4.5 : 1 against paper. */
export const softInk = '#5A6570'

export const sans = "'Source Sans 3', 'Segoe UI', sans-serif"
export const mono = "'IBM Plex Mono', monospace"

/** Pixels of an em of the page's root: 16, unless the browser's user has set another. */
const ROOT_PX = (typeof document === 'undefined' ? undefined : parseFloat(getComputedStyle(document.documentElement).fontSize)) || 16
/** Pixels of the smallest text that is to be read, in drawings too. */
export const SMALL = (13 / 16) * ROOT_PX

export const theme: ThemeConfig = {
  token: {
    colorPrimary: verdigris,
    colorInfo: verdigris,
    colorLink: verdigris,
    colorSuccess: verdigris,
    colorWarning: ochre,
    colorError: brick,
    colorText: ink,
    colorTextSecondary: softInk,
    colorTextPlaceholder: '#6B747D',
    colorBorder: '#B9B1A0',
    colorBorderSecondary: hairline,
    colorBgContainer: sheet,
    colorBgElevated: sheet,
    colorBgLayout: paper,
    borderRadius: 1,
    borderRadiusLG: 2,
    borderRadiusSM: 1,
    controlHeight: (28 / 16) * ROOT_PX,
    fontFamily: sans,
    fontSize: (14 / 16) * ROOT_PX,
    boxShadow: '0 1px 0 rgba(34,48,60,.08)',
    boxShadowSecondary: '0 2px 10px rgba(34,48,60,.16)',
    wireframe: true,
  },
}
