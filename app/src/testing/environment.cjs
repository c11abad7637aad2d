// The preset's environment with what fake-indexeddb and the stores need of Node.
const { default: Environment } = require('jest-preset-angular/environments/jest-jsdom-env');

module.exports = class extends Environment {
  constructor(config, context) {
    super(config, context);
    this.global.structuredClone = structuredClone;
    this.global.crypto.randomUUID ??= () => require('node:crypto').randomUUID();
  }
};
