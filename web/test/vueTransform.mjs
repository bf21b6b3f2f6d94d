import { transformSync } from '@swc/core'
import { compileScript, parse } from 'vue/compiler-sfc'

/**
 * Single-file components for Jest: every one here is `<script setup lang="ts">`, and its look does not
 * matter to a test. The usual transform package has no version for this Jest.
 */
export default {
  process(source, filename) {
    const { descriptor, errors } = parse(source, { filename })
    if (errors.length > 0) throw errors[0]
    const { content } = compileScript(descriptor, { id: filename, inlineTemplate: true })
    const { code, map } = transformSync(content, {
      filename,
      jsc: { parser: { syntax: 'typescript' }, target: 'es2022' },
      module: { type: 'commonjs' },
      sourceMaps: true,
    })
    return { code, map }
  },
}
