import { spawnSync } from 'node:child_process'
import { join } from 'node:path'

const root = join(__dirname, '../..')

/** The command line, as a user calls it. */
function calc(args: string[], input = ''): { code: number | null; out: unknown } {
  const { status, stdout } = spawnSync('npm', ['run', '--silent', 'calc', '--', ...args], { cwd: root, input, encoding: 'utf8' })
  return { code: status, out: JSON.parse(stdout) as unknown }
}

describe('npm run calc', () => {
  it('lists the calculations and shows a schema', () => {
    expect(calc(['list'])).toMatchObject({ code: 0, out: expect.arrayContaining([expect.objectContaining({ name: 'knee-flexion' })]) })
    expect(calc(['knee-flexion', '--schema'])).toMatchObject({ code: 0, out: { input: { type: 'object' } } })
  })

  // Plane geometry, worked by hand: 25° with thigh 430 and shank 440 → 849.4 mm.
  it('computes from standard input', () => {
    const { code, out } = calc(['distance-for-flexion'], '{"thigh":430,"shank":440,"kneeFlexion":25}')
    expect(code).toBe(0)
    expect(out).toMatchObject({ result: { distance: expect.closeTo(849.4, 1) } })
  })

  it('answers a line for each line, in order, an error as its line', () => {
    const { status, stdout } = spawnSync('npm', ['run', '--silent', 'calc', '--', 'distance-for-flexion', '--lines'], {
      cwd: root,
      encoding: 'utf8',
      input: '{"thigh":430,"shank":440,"kneeFlexion":25}\n\n{"thigh":430}\nnot json\n{"thigh":430,"shank":440,"kneeFlexion":0}',
    })
    const lines = stdout
      .trim()
      .split('\n')
      .map((line): unknown => JSON.parse(line))
    expect(status).toBe(0)
    expect(lines).toMatchObject([
      { result: { distance: expect.closeTo(849.4, 1) } },
      { code: 'invalid', fields: [{ field: 'shank' }, { field: 'kneeFlexion' }] },
      { code: 'broken-json' },
      // A straight leg is as long as its parts.
      { result: { distance: 870 } },
    ])
  })

  it.each([
    [['knee-flexion'], '{"thigh":"x","shank":440,"distance":840}', { code: 'invalid', fields: [{ field: 'thigh' }] }],
    [['knee-flexion'], '{"thigh":430,"shank":440,"distance":999}', { code: 'unreachable', fields: [{ field: 'distance' }] }],
    [['knee-flexion'], 'not json', { code: 'broken-json' }],
    [['nothing'], '{}', { code: 'not-found' }],
  ])('%j with %s exits 2 with words', (args, input, out) => expect(calc(args, input)).toMatchObject({ code: 2, out }))
})
