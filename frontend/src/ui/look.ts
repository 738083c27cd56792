import theme from 'ant-design-vue/es/theme'
import { read } from './theme'

/** The component library in our paper, ink and brass, as `styles/tokens.css` has them for the theme that is set. Nothing
 * moves but levels. */
export function lookOf(dark: boolean) {
  const [card, glass, rail, line, ink, mute, brass, brassLine, over, holds] = ['card', 'glass', 'rail', 'line', 'ink', 'mute', 'brass', 'brass-line', 'over', 'holds'].map(read)
  return {
    algorithm: dark ? theme.darkAlgorithm : theme.defaultAlgorithm,
    token: {
      colorPrimary: brass, colorPrimaryBorder: brassLine, colorPrimaryBorderHover: brassLine, colorInfo: brass, colorLink: brass, colorLinkHover: brass, colorLinkActive: brass, colorError: over, colorSuccess: holds, colorWarning: brassLine,
      colorBgBase: card, colorBgContainer: card, colorBgElevated: card, colorBgLayout: rail,
      colorText: ink, colorTextHeading: ink, colorTextSecondary: mute, colorTextTertiary: mute, colorTextDescription: mute, colorTextPlaceholder: mute, colorTextQuaternary: mute,
      colorBorder: line, colorBorderSecondary: line, colorSplit: line, colorFillSecondary: glass, colorFillTertiary: glass, colorFillQuaternary: glass,
      borderRadius: 4, borderRadiusLG: 4, borderRadiusSM: 3, borderRadiusXS: 3,
      boxShadow: 'none', boxShadowSecondary: `0 0 0 1px ${line}`, boxShadowTertiary: 'none',
      controlOutlineWidth: 0, controlItemBgActive: glass, controlItemBgHover: glass, controlHeight: 32,
      fontFamily: "'Barlow', system-ui, sans-serif", fontSize: 15, lineHeight: 1.4,
      motionDurationFast: '0s', motionDurationMid: '0s', motionDurationSlow: '0s',
    },
  }
}
