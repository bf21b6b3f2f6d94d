type Keys<Table> = keyof Table & string

/** Keys of a table of rows, in its order; a table has one at least. */
export function keysOf<Table extends object>(table: Table): [Keys<Table>, ...Keys<Table>[]] {
  return Object.keys(table) as [Keys<Table>, ...Keys<Table>[]]
}

type Entry<Table> = [Keys<Table>, Exclude<Table[Keys<Table>], undefined>]

/** Rows of a table with their keys, in its order; a row that may be left out is either there or not. */
export function entriesOf<Table extends object>(table: Table): Entry<Table>[] {
  return Object.entries(table) as Entry<Table>[]
}

/** A table of rows that are given with their keys: of every key of the type, which the caller sees to. */
export function tableFrom<Key extends string, Row>(rows: Iterable<readonly [Key, Row]>): Record<Key, Row> {
  return Object.fromEntries(rows) as Record<Key, Row>
}

/** A table with a row made for each key. */
export function tableOf<Key extends string, Row>(keys: readonly Key[], row: (key: Key) => Row): Record<Key, Row> {
  return tableFrom(keys.map((key) => [key, row(key)] as const))
}

/** Keys of rows that carry their own, in their order. @throws RangeError where there is no row */
export function rowKeys<Key>(rows: readonly { readonly key: Key }[]): [Key, ...Key[]] {
  return oneAtLeast(rows.map(({ key }) => key))
}

/** A list that is known to have an item. @throws RangeError where it has none */
export function oneAtLeast<Item>([first, ...rest]: readonly Item[]): [Item, ...Item[]] {
  if (first === undefined) throw new RangeError('The list is empty.')
  return [first, ...rest]
}

/** Whether a value is one of a list; where the list’s type is narrower, the value is of it then. */
export function isOneOf<Item>(list: readonly Item[], value: unknown): value is Item {
  const all: readonly unknown[] = list
  return all.includes(value)
}

/** Whether a table has a row of its own by this key. */
export function isKeyOf<Table extends object>(table: Table, key: PropertyKey): key is keyof Table {
  return Object.hasOwn(table, key)
}

/** Whether a value of unknown origin has fields. */
export function isRecord(value: unknown): value is Readonly<Record<string, unknown>> {
  return typeof value === 'object' && value !== null
}

/** A field of a value of unknown origin; undefined where it has none. */
export function fieldOf(value: unknown, key: string): unknown {
  return isRecord(value) ? value[key] : undefined
}
