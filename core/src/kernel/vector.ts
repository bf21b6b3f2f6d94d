/** Numbers in a row, as many as when it was made. Typed arrays, so that sums over them are quick. */
export type Vector = Float64Array

/** Numbers in rows and columns, row by row in `cells`. */
export interface Matrix {
  readonly rows: number
  readonly columns: number
  readonly cells: Float64Array
}

/** The number at an index; NaN beyond either end, which no sum hides. */
export function at(numbers: Float64Array, index: number): number {
  return numbers[index] ?? NaN
}

/** A vector of so many numbers, each made from its index. */
export function vectorOf(length: number, value: (index: number) => number): Vector {
  const made = new Float64Array(length)
  for (let i = 0; i < length; i++) made[i] = value(i)
  return made
}

/** A matrix whose every cell is made from its row and column. */
export function matrixOf(rows: number, columns: number, value: (row: number, column: number) => number): Matrix {
  const cells = new Float64Array(rows * columns)
  for (let row = 0, i = 0; row < rows; row++) for (let column = 0; column < columns; column++, i++) cells[i] = value(row, column)
  return { rows, columns, cells }
}

/** A matrix of rows that are all as long as the first. */
export function matrixFrom(rows: readonly ArrayLike<number>[]): Matrix {
  return matrixOf(rows.length, rows[0]?.length ?? 0, (row, column) => rows[row]?.[column] ?? NaN)
}

/** The number in a row and a column; NaN beyond the cells. */
export function cellAt({ columns, cells }: Matrix, row: number, column: number): number {
  return at(cells, row * columns + column)
}

/** A row as a vector over the matrix’s own cells. */
export function rowAt({ columns, cells }: Matrix, row: number): Vector {
  return cells.subarray(row * columns, (row + 1) * columns)
}

/** Σ aᵢ·bᵢ, over as many as a has. */
export function dot(a: Vector, b: Vector): number {
  let sum = 0
  for (let i = 0; i < a.length; i++) sum += at(a, i) * at(b, i)
  return sum
}

/** Row `i` of a · row `j` of b. */
export function rowsDot(a: Matrix, i: number, b: Matrix, j: number): number {
  let sum = 0
  for (let k = 0, p = i * a.columns, q = j * b.columns; k < a.columns; k++, p++, q++) sum += at(a.cells, p) * at(b.cells, q)
  return sum
}

/** M·v. */
export function times(matrix: Matrix, v: Vector): Vector {
  const { rows, columns, cells } = matrix
  const made = new Float64Array(rows)
  for (let row = 0, i = 0; row < rows; row++) {
    let sum = 0
    for (let k = 0; k < columns; k++, i++) sum += at(cells, i) * at(v, k)
    made[row] = sum
  }
  return made
}
