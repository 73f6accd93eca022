// Jest's environment with an ordinary global object: its own one is a proxy, through which each `Math` and `Object` of
// a test is looked up, at many times the cost.
import vm from 'node:vm';
import { TestEnvironment } from 'jest-environment-node';
import * as lasting from './lasting.mjs';

/** What must be one and the same inside and outside. */
const shared = new Set(['Buffer', 'ArrayBuffer', 'Uint8Array']);

export default class PlainEnvironment extends TestEnvironment {
  constructor(config, context) {
    super(config, context);
    lasting.enter();
    this.global.lasting = lasting;
    // Before Node.js 20.18 there is no such context.
    if (!vm.constants.DONT_CONTEXTIFY) return;
    const made = this.global;
    const global = vm.createContext(vm.constants.DONT_CONTEXTIFY);
    for (const name of Reflect.ownKeys(made)) {
      if (Object.hasOwn(global, name) && !shared.has(name)) continue;
      const { get, enumerable, ...rest } = Object.getOwnPropertyDescriptor(made, name);
      Object.defineProperty(global, name, get ? lazy(made, name, enumerable) : { ...rest, enumerable });
    }
    global.global = global;
    // The driver of the browser looks at the stack of each call.
    global.Error.stackTraceLimit = 12;
    this.context = global;
    this.global = global;
  }

  async teardown() {
    lasting.leave();
    await super.teardown();
  }
}

/** A global of Node's that is made when it is first asked for. */
function lazy(made, name, enumerable) {
  const settle = (target, value) =>
    Object.defineProperty(target, name, { value, enumerable, configurable: true, writable: true });
  return {
    configurable: true,
    enumerable,
    get() {
      const value = made[name];
      settle(this, value);
      return value;
    },
    set(value) {
      settle(this, value);
    },
  };
}
