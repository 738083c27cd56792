import theme from 'ant-design-vue/es/theme'

/** Our paper, ink and brass for the component library, light and dark; the same as in `styles/tokens.css`. */
const LIGHT = { card: '#fffefb', raised: '#fffefb', glass: '#f0eee6', rail: '#e8e5da', line: '#d9d5c8', ink: '#20302f', mute: '#5a6664', brass: '#8a5f1c', brassLine: '#a9772b', over: '#b3372b', holds: '#2f6b4a' }
const DARK: typeof LIGHT = { card: '#1c2727', raised: '#223030', glass: '#263231', rail: '#182121', line: '#35443f', ink: '#e9ece6', mute: '#a3b0ac', brass: '#dbab64', brassLine: '#d9a860', over: '#ef7d6e', holds: '#7cc39c' }

/** Tokens of every component we use. Nothing moves but levels. */
export function lookOf(dark: boolean) {
  const c = dark ? DARK : LIGHT
  return {
    algorithm: dark ? theme.darkAlgorithm : theme.defaultAlgorithm,
    token: {
      colorPrimary: c.brass, colorPrimaryBorder: c.brassLine, colorPrimaryBorderHover: c.brassLine, colorInfo: c.brass, colorLink: c.brass, colorError: c.over, colorSuccess: c.holds, colorWarning: c.brassLine,
      colorBgBase: c.card, colorBgContainer: c.card, colorBgElevated: c.raised, colorBgLayout: c.rail,
      colorText: c.ink, colorTextHeading: c.ink, colorTextSecondary: c.mute, colorTextTertiary: c.mute, colorTextDescription: c.mute, colorTextPlaceholder: c.mute, colorTextQuaternary: c.mute,
      colorBorder: c.line, colorBorderSecondary: c.line, colorSplit: c.line, colorFillSecondary: c.glass, colorFillTertiary: c.glass, colorFillQuaternary: c.glass,
      borderRadius: 4, borderRadiusLG: 4, borderRadiusSM: 3, borderRadiusXS: 3,
      boxShadow: 'none', boxShadowSecondary: `0 0 0 1px ${c.line}`, boxShadowTertiary: 'none',
      controlOutlineWidth: 0, controlItemBgActive: c.glass, controlItemBgHover: c.glass, controlHeight: 32,
      fontFamily: "'Barlow', system-ui, sans-serif", fontSize: 15, lineHeight: 1.4,
      motion: false,
      motionDurationFast: '0s', motionDurationMid: '0s', motionDurationSlow: '0s',
    },
    components: {},
  }
}
