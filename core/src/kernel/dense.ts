/**
 * An item of a list that has one at every index up to its length.
 * @throws RangeError where the index lies outside of it: the caller has miscounted
 */
export function itemAt<Item>(list: ArrayLike<Item>, index: number): Item {
  const item = list[index]
  if (item === undefined) throw new RangeError(`${index} lies outside of a list of ${list.length}.`)
  return item
}
