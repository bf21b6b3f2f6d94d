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

/** A table with a row made for each key. */
export function tableOf<Key extends string, Row>(keys: readonly Key[], row: (key: Key) => Row): Record<Key, Row> {
  return Object.fromEntries(keys.map((key) => [key, row(key)])) as Record<Key, Row>
}

/** Whether a value is one of a list; where the list’s type is narrower, the value is of it then. */
export function isOneOf<Item>(list: readonly Item[], value: unknown): value is Item {
  return (list as readonly unknown[]).includes(value)
}
