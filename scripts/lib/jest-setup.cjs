/* global RUN */
const { configureGlobal } = require('fast-check');

// Properties that say nothing else try a hundred cases, the same in each run; in the long run others each day.
configureGlobal({ seed: RUN.seed, numRuns: RUN.isLong ? 3000 : 100 });
