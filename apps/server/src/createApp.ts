import express, { type ErrorRequestHandler, type Express, type RequestHandler, type Response } from 'express';
import helmet from 'helmet';
import { existsSync } from 'node:fs';
import { join } from 'node:path';

export interface AppOptions {
  /** Folder with the built application: index.html and its hashed files. */
  readonly folder: string;
  /** Leads the first page into the demo. */
  readonly demo: boolean;
}

/** First parts of the addresses the application answers itself. */
const places = [
  '',
  'today',
  'exercises',
  'routines',
  'students',
  'classes',
  'practise',
  'files',
  'sources',
  'ten-minutes',
  'demo',
  'own',
];

const HASHED = /-[A-Z0-9]{8}\.(js|css|woff2?|ttf|eot|svg)$/;

function setCaching(response: Response, path: string): void {
  response.setHeader('Cache-Control', HASHED.test(path) ? 'public, max-age=31536000, immutable' : 'no-cache');
}

/** Headers that let nothing in from elsewhere. @param more what a page of its own kind may beside it */
const strictHeaders = (
  scripts: readonly string[],
  more: Readonly<Record<string, readonly string[]>> = {},
): RequestHandler =>
  helmet({
    contentSecurityPolicy: {
      useDefaults: false,
      directives: {
        defaultSrc: ["'self'"],
        scriptSrc: [...scripts],
        styleSrc: ["'self'", "'unsafe-inline'"],
        imgSrc: ["'self'", 'data:', 'blob:'],
        mediaSrc: ["'self'", 'blob:'],
        fontSrc: ["'self'"],
        connectSrc: ["'self'"],
        workerSrc: ["'self'"],
        manifestSrc: ["'self'"],
        objectSrc: ["'none'"],
        baseUri: ["'self'"],
        formAction: ["'self'"],
        frameAncestors: ["'none'"],
        ...more,
      },
    },
    // Served over plain HTTP on this machine only.
    strictTransportSecurity: false,
  });

/** What cannot be answered is said in words; what went wrong inside stays there. */
const inWords: ErrorRequestHandler = (error: unknown, _request, response, next) => {
  if (response.headersSent) {
    next(error);
    return;
  }
  const status = error instanceof Error && 'status' in error ? Number(error.status) : 500;
  const isTheirs = status >= 400 && status < 500;
  response
    .status(isTheirs ? status : 500)
    .type('text/plain')
    .send(isTheirs ? 'This address cannot be read.' : 'This could not be answered.');
};

/** The server: the built application with strict headers, a health answer, and nothing else. */
export function createApp({ folder, demo }: AppOptions): Express {
  if (!existsSync(join(folder, 'index.html')))
    throw new Error(`folder: there is no index.html in ${folder}; build the application first`);
  const app = express();
  app.disable('x-powered-by');
  app.use(strictHeaders(["'self'"]));
  // The worker that finds a body has a policy of its own: its library is WebAssembly, and nothing else here is.
  app.use('/find-body', strictHeaders(["'self'", "'wasm-unsafe-eval'"]));
  // The page of a sheet holds all that it is made of, by hashes of its own; it is looked at within Pomek before it is given.
  app.use(
    '/sheet',
    strictHeaders(["'unsafe-inline'"], {
      fontSrc: ['data:'],
      workerSrc: ['blob:'],
      frameAncestors: ["'self'"],
    }),
  );
  app.get('/healthz', (_request, response) => {
    response.setHeader('Cache-Control', 'no-store');
    response.json({ ok: true });
  });
  if (demo) app.get('/', (_request, response) => response.redirect(302, '/demo'));
  app.use(express.static(folder, { index: false, setHeaders: setCaching, redirect: false }));
  app.get('/{*path}', (request, response) => {
    const first = request.path.split('/')[1] ?? '';
    response.setHeader('Cache-Control', 'no-cache');
    if (!places.includes(first)) {
      response.status(404).type('text/plain').send('There is nothing at this address.');
      return;
    }
    response.sendFile('index.html', { root: folder });
  });
  app.use(inWords);
  return app;
}
