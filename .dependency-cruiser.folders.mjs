import rules from './.dependency-cruiser.mjs'

const { options } = rules

/** Folders of what ships: tests may look everywhere. */
export default {
  forbidden: [
    {
      name: 'no-folder-circle',
      comment: 'No folder needs itself by way of others.',
      severity: 'error',
      scope: 'folder',
      from: {},
      to: { circular: true },
    },
  ],
  options: { ...options, exclude: { path: `${options.exclude.path}|\\.test\\.ts$|/testing\\.ts$` } },
}
