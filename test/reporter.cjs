/** Mocha's own list on screen; the totals and what failed in a file, for the lines that end `npm test`. */
const { writeFileSync } = require('node:fs');
const Mocha = require('mocha');

module.exports = class Totals extends Mocha.reporters.Spec {
  constructor(runner, options) {
    super(runner, options);
    const faults = [];
    runner.on('fail', (test, error) => faults.push(`${test.fullTitle()}\n${error.stack ?? error}`));
    runner.once('end', () => {
      const { passes, failures, pending } = this.stats;
      writeFileSync(process.env.DIMORPHE_TOTALS, JSON.stringify({ passes, failures, pending, faults }));
    });
  }
};
