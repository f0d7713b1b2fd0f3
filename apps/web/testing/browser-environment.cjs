const { TestEnvironment } = require('jest-environment-jsdom');

/** jsdom with what real browsers have and it lacks, taken from Node. */
class BrowserEnvironment extends TestEnvironment {
  async setup() {
    await super.setup();
    for (const name of ['structuredClone', 'fetch', 'BroadcastChannel', 'MessageChannel', 'Blob', 'File']) {
      this.global[name] = globalThis[name];
    }
    // A turn of the event loop: the stand-in for the database works in turns, however slow the machine is.
    this.global.nextTurn = () => new Promise((resolve) => setImmediate(resolve));
    Object.defineProperty(this.global, 'crypto', { value: globalThis.crypto, configurable: true });
  }
}

module.exports = BrowserEnvironment;
