import { fieldOf, tableOf } from '@level-stance/core/kernel/tables'
import { useLocalStorage } from '@vueuse/core'
import { defineStore } from 'pinia'
import { usualStock } from '@level-stance/core/stations/feet/stance/search'
import type { StanceStock } from '@level-stance/core/stations/feet/stance/search'

export const stockKeys = ['washers', 'axles', 'adapters', 'treads'] as const
export type StockKey = (typeof stockKeys)[number]
/** What each list may hold, mm. */
export const stockRange: Readonly<Record<StockKey, { readonly label: string; readonly min: number; readonly max: number }>> = {
  washers: { label: 'Washers', min: 0, max: 8 },
  axles: { label: 'Axles', min: 35, max: 130 },
  adapters: { label: 'Adapters', min: 0, max: 60 },
  treads: { label: 'Cranks, tread', min: 100, max: 300 },
}
const MOST = 10

/** Parts in this fit room's drawer, for changing a stance; kept in this browser. */
export const usePartsAtHand = defineStore('parts-at-hand', () => {
  const stored = useLocalStorage<StanceStock>('level-stance.parts', usualStock, { serializer: { read: readStock, write: JSON.stringify } })
  function set(key: StockKey, list: readonly number[]): void {
    stored.value = { ...stored.value, [key]: list }
  }
  return { stock: stored, set }
})

/** A typed list of sizes, or what is wrong with it. */
export function readSizes(key: StockKey, text: string): { readonly list: number[] } | { readonly problem: string } {
  const { label, min, max } = stockRange[key]
  const parts = text
    .split(/[;\s]+/)
    .map((part) => part.replace(/,$/, ''))
    .filter((part) => part !== '')
  const list = parts.map((part) => Number(part.replace(',', '.')))
  if (list.some((value) => !Number.isFinite(value) || value < min || value > max))
    return { problem: `${label}: numbers from ${min} to ${max} mm, with spaces between.` }
  if (list.length > MOST) return { problem: `${label}: at most ${MOST} sizes.` }
  return { list: [...new Set(list)].sort((a, b) => a - b) }
}

function readStock(text: string): StanceStock {
  try {
    const value: unknown = JSON.parse(text)
    return tableOf(stockKeys, (key): readonly number[] => {
      const list: unknown = fieldOf(value, key)
      const { min, max } = stockRange[key]
      const isSize = (size: unknown): size is number => typeof size === 'number' && size >= min && size <= max
      return Array.isArray(list) && list.length <= MOST && list.every(isSize) ? list : usualStock[key]
    })
  } catch {
    return usualStock
  }
}
