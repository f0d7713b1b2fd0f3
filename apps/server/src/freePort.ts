import { createServer } from 'node:net';

const FIRST = 4310;
const TRIES = 50;

const isFree = (port: number): Promise<boolean> =>
  new Promise((resolve) => {
    const probe = createServer();
    probe.once('error', () => resolve(false));
    probe.listen(port, '127.0.0.1', () => probe.close(() => resolve(true)));
  });

/**
 * The port to listen on: the wished one, or the first free one from 4310 on.
 * @throws Error when the wish is no port, or is taken, or nothing is free.
 */
export async function freePort(wished: string | undefined): Promise<number> {
  if (wished !== undefined && wished !== '') {
    const port = Number(wished);
    if (!Number.isInteger(port) || port < 1 || port > 65_535)
      throw new Error(`PORT: “${wished}” is not a port (1–65535)`);
    if (!(await isFree(port))) throw new Error(`PORT: ${port} is taken`);
    return port;
  }
  for (let port = FIRST; port < FIRST + TRIES; port += 1) if (await isFree(port)) return port;
  throw new Error(`no free port between ${FIRST} and ${FIRST + TRIES - 1}; set PORT`);
}
