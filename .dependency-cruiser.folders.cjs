const { options } = require('./.dependency-cruiser.cjs')

/** Folders of what ships: tests may look everywhere. */
module.exports = {
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
