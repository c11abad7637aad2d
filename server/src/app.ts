import type { ServerResponse } from 'node:http';
import { join } from 'node:path';
import express, { type Express, type NextFunction, type Request, type Response } from 'express';
import expressStaticGzip from 'express-static-gzip';
import helmet from 'helmet';
import { handMeter } from './hand-meter.js';

const YEAR_S = 31_536_000;
/** Names that the build stamps with a hash of their contents: `chunk-3GQWSCDJ.js`, `media/x-AB12CD34.woff2`. */
const HASHED = /-[A-Z0-9]{8}\.(?:js|css|woff2?|ttf|otf|png|svg|jpg|webp|json|wasm)(?:\.(?:br|gz))?$/;

/** A room of the app: plain words between slashes. Anything else is no address of ours. */
const ROOM = /^(?:\/[A-Za-z0-9-]+)*\/?$/;

/** A strict policy; Angular writes component styles at run time, which is all that is let through. */
const contentSecurityPolicy = {
  useDefaults: false,
  directives: {
    defaultSrc: ["'none'"],
    scriptSrc: ["'self'"],
    styleSrc: ["'self'", "'unsafe-inline'"],
    styleSrcAttr: ["'none'"],
    imgSrc: ["'self'", 'data:', 'blob:'],
    fontSrc: ["'self'"],
    connectSrc: ["'self'"],
    workerSrc: ["'self'"],
    manifestSrc: ["'self'"],
    objectSrc: ["'none'"],
    baseUri: ["'self'"],
    formAction: ["'none'"],
    frameAncestors: ["'none'"],
  },
};

function readOnly(request: Request, response: Response, next: NextFunction): void {
  if (request.method === 'GET' || request.method === 'HEAD') return next();
  response.setHeader('Allow', 'GET, HEAD').status(405).type('text/plain').send('Only GET and HEAD are answered here.\n');
}

/** Hashed files never change; everything else is asked for again. */
function cacheHeaders(response: ServerResponse, path: string): void {
  response.setHeader('Cache-Control', HASHED.test(path) ? `public, max-age=${YEAR_S}, immutable` : 'no-cache');
}

/** Serves the built app from one folder; rooms fall back to index.html, anything with an extension does not. */
export function createApp(buildFolder: string): Express {
  const app = express();
  app.disable('x-powered-by');
  app.use(helmet({ contentSecurityPolicy, strictTransportSecurity: false }));
  app.use(readOnly);
  app.get('/api/meter', handMeter());
  app.use(
    expressStaticGzip(buildFolder, {
      enableBrotli: true,
      index: false,
      orderPreference: ['br', 'gz'],
      serveStatic: { dotfiles: 'deny', redirect: false, setHeaders: cacheHeaders },
    }),
  );
  app.use((request, response, next) => {
    if (!ROOM.test(request.path)) return next();
    response.setHeader('Cache-Control', 'no-cache');
    response.sendFile(join(buildFolder, 'index.html'));
  });
  app.use((_request: Request, response: Response) => {
    response.status(404).type('text/plain').send('Not found.\n');
  });
  app.use((error: Error & { status?: number }, _request: Request, response: Response, next: NextFunction) => {
    if (response.headersSent) return next(error);
    response
      .status(error.status ?? 500)
      .type('text/plain')
      .send(error.status === undefined ? 'Server error.\n' : 'Refused.\n');
  });
  return app;
}
