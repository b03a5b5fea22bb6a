/** Mocha's own list on screen, and the totals in a file for the line that ends `npm test`. */
const { writeFileSync } = require('node:fs');
const Mocha = require('mocha');

module.exports = class Totals extends Mocha.reporters.Spec {
  constructor(runner, options) {
    super(runner, options);
    runner.once('end', () => {
      const { passes, failures, pending } = this.stats;
      writeFileSync(process.env.DIMORPHE_TOTALS, JSON.stringify({ passes, failures, pending }));
    });
  }
};
