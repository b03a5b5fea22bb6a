/** Mocha's own list on screen; the totals, what failed, and how long each file took, for the lines that end `npm test`. */
const { writeFileSync } = require('node:fs');
const { relative } = require('node:path');
const Mocha = require('mocha');

module.exports = class Totals extends Mocha.reporters.Spec {
  constructor(runner, options) {
    super(runner, options);
    const faults = [];
    const took = {};
    runner.on('test end', ({ file, duration = 0 }) => {
      const name = relative(process.cwd(), file ?? '');
      took[name] = (took[name] ?? 0) + duration;
    });
    runner.on('fail', (test, error) => faults.push(`${test.fullTitle()}\n${error.stack ?? error}`));
    runner.once('end', () => {
      const { passes, failures, pending } = this.stats;
      writeFileSync(process.env.DIMORPHE_TOTALS, JSON.stringify({ passes, failures, pending, faults, took }));
    });
  }
};
