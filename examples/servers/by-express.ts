import { randomBytes } from 'node:crypto';
import { createServer, type Server } from 'node:http';
import { pipeline } from 'node:stream/promises';
import { constants } from 'node:zlib';
import compression from 'compression';
import express, { type ErrorRequestHandler } from 'express';
import { faultOf, groveLog, policy, serviceUrl, visitPage, type Where } from './grove-log.js';
import { leaving } from './listen.js';

export function expressServer(where: Where): Server {
  const app = express();
  // Each piece goes out when it is there, instead of when there is enough to compress well.
  app.use(compression({ flush: constants.Z_SYNC_FLUSH, threshold: 0 }));

  app.get('/', async (request, response) => {
    const nonce = randomBytes(16).toString('base64');
    const { searchParams } = new URL(request.url, 'http://localhost');
    const page = groveLog({ query: searchParams, nonce, signal: leaving(response) }, where);
    // Until its first piece is there, another status can be answered.
    await page.started;
    response.type('html').set({ 'content-security-policy': policy(nonce), 'cache-control': 'no-store' });
    await pipeline(page, response);
  });
  // `send` adds an ETag, and answers 304 to who has the page.
  app.get('/visit', (_request, response) => {
    response
      .type('html')
      .set({ 'content-security-policy': policy(), 'cache-control': 'no-cache' })
      .send(visitPage());
  });
  app.get('/app.js', (_request, response) => void response.type('js').send(where.script));
  app.get('/page.css', (_request, response) => void response.type('css').send(where.sheet));
  app.get('/data/:what', async (request, response) => {
    const answer = await fetch(serviceUrl(request.url, where), { signal: leaving(response) });
    response
      .status(answer.status)
      .type('json')
      .send(await answer.text());
  });
  app.use(fault);
  return createServer(app);
}

const fault: ErrorRequestHandler = (thrown, _request, response, next) => {
  if (response.destroyed) return;
  const { status, text } = faultOf(thrown);
  if (status === 500) console.error(thrown);
  // Behind the first piece the connection ends in the middle, which `next` sees to.
  if (response.headersSent) next(thrown);
  else response.status(status).type('text').send(text);
};
