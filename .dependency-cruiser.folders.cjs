const rules = require('./.dependency-cruiser.cjs');

/** Folders of the product: none imports another that imports it, by whatever way round. Tests may look both up and down. */
module.exports = {
  forbidden: [
    {
      name: 'no-folder-both-ways',
      comment: 'a floor is only a floor while nothing above it is imported by it',
      severity: 'error',
      scope: 'folder',
      from: {},
      to: { circular: true },
    },
  ],
  options: { ...rules.options, exclude: { path: '\\+types/|\\.(test|spec|fixture)\\.tsx?$' } },
};
