import { createCache, theme } from 'ant-design-vue'
import type { ConfigProviderProps } from 'ant-design-vue'

const shared = {
  fontFamily: 'Barlow, sans-serif',
  fontSize: 16,
  borderRadius: 6,
  controlHeight: 40,
  boxShadow: 'none',
  boxShadowSecondary: '0 2px 10px rgb(0 0 0 / 12%)',
  motionDurationMid: '0.15s',
  motionDurationSlow: '0.15s',
  wireframe: false,
}

/** The component library dressed in the product's tokens, for a light and a dim room. */
export function themeFor(dark: boolean): NonNullable<ConfigProviderProps['theme']> {
  return {
    algorithm: dark ? theme.darkAlgorithm : theme.defaultAlgorithm,
    token: {
      ...shared,
      ...(dark
        ? {
            colorPrimary: '#5FC2B8',
            colorLink: '#5FC2B8',
            colorLinkHover: '#8AD6CD',
            colorLinkActive: '#8AD6CD',
            colorInfo: '#5FC2B8',
            colorBgLayout: '#141B1A',
            colorSplit: '#35413F',
            colorTextSecondary: '#C4CBC6',
            colorTextLightSolid: '#08201F',
            colorBgBase: '#1B2423',
            colorBgElevated: '#1B2423',
            colorTextBase: '#EDEAE0',
            colorBorder: '#35413F',
            colorError: '#EE8A74',
            colorWarning: '#E6A83F',
          }
        : {
            colorPrimary: '#0E6B6B',
            colorLink: '#0E6B6B',
            colorLinkHover: '#0A5252',
            colorLinkActive: '#0A5252',
            colorInfo: '#0E6B6B',
            colorBgLayout: '#ECE7DB',
            colorSplit: '#D9D3C5',
            colorTextSecondary: '#3F4B49',
            colorBgBase: '#FFFDF8',
            colorTextBase: '#1D2B2A',
            colorBorder: '#D9D3C5',
            colorError: '#A63D2A',
            colorWarning: '#C9821B',
            colorTextPlaceholder: '#65706C',
          }),
    },
    // In the dim room the library takes a fifth of a colour’s light away, too much for words on a button.
    ...(dark ? { components: { Button: { colorError: '#EE8A74', colorErrorHover: '#F5AB9A', colorErrorActive: '#EE8A74' } } } : {}),
  }
}

/**
 * The component library's styles, kept once they are made. By itself it forgets those of a component as the last
 * one leaves the screen, and works them out anew at the next station: each is counted as used once more than it is.
 */
export function lastingStyles(): ReturnType<typeof createCache> {
  const cache = createCache()
  const update = cache.update.bind(cache)
  cache.update = (path, next) =>
    update(path, (before) => {
      const after = next(before)
      return before || !after ? after : [after[0] + 1, after[1]]
    })
  return cache
}
