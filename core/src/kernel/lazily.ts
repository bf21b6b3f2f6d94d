import { keysOf } from './tables.ts'

/** An object whose fields are each worked out when first asked for, and then kept. */
export function lazily<Made extends object>(makers: { readonly [Key in keyof Made]: (made: Made) => Made[Key] }): Made {
  const made = {} as Made
  for (const key of keysOf(makers)) {
    Object.defineProperty(made, key, {
      configurable: true,
      enumerable: true,
      get() {
        const value = makers[key](made)
        Object.defineProperty(made, key, { value, enumerable: true })
        return value
      },
    })
  }
  return made
}
