// What tests get as `playwright-core`: the one of their process.
const { chromium, firefox, webkit, devices, errors } = await globalThis.lasting.driver();
export { chromium, devices, errors, firefox, webkit };
