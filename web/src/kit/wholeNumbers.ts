/** Whole numbers from `first` to `last`, both included. */
export function wholeNumbers(first: number, last: number): number[] {
  return Array.from({ length: last - first + 1 }, (_, i) => first + i)
}
