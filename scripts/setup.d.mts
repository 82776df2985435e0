/** What `npm test`, `npm run demo` and the measurements need to be there first. */
export function run(command: string, args: string[], options?: object): void;
export function ensurePackages(): void;
export function ensureChromium(): void;
export function ensureBuild(): void;
