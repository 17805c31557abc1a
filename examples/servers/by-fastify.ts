import { randomBytes } from 'node:crypto';
import { createServer, type Server } from 'node:http';
import { Readable } from 'node:stream';
import { constants } from 'node:zlib';
import compress from '@fastify/compress';
import etag from '@fastify/etag';
import fastify from 'fastify';
import { faultOf, groveLog, policy, serviceUrl, visitPage, type Where } from './grove-log.js';
import { leaving } from './listen.js';

export async function fastifyServer(where: Where): Promise<Server> {
  const app = fastify();
  // Each piece goes out when it is there, instead of when there is enough to compress well.
  await app.register(compress, {
    encodings: ['gzip', 'identity'],
    threshold: 0,
    zlibOptions: { flush: constants.Z_SYNC_FLUSH },
  });
  await app.register(etag, { weak: true });
  app.setErrorHandler((thrown, _request, reply) => {
    const { status, text } = faultOf(thrown);
    if (status === 500) console.error(thrown);
    return reply.code(status).type('text/plain').send(text);
  });

  app.get('/', async (request, reply) => {
    const nonce = randomBytes(16).toString('base64');
    const { searchParams } = new URL(request.url, 'http://localhost');
    const page = groveLog({ query: searchParams, nonce, signal: leaving(reply.raw) }, where);
    // Until its first piece is there, another status can be answered.
    await page.started;
    reply.headers({ 'content-security-policy': policy(nonce), 'cache-control': 'no-store' });
    return reply.type('text/html; charset=utf-8').send(Readable.fromWeb(page as never));
  });
  app.get('/visit', async (_request, reply) => {
    reply.headers({ 'content-security-policy': policy(), 'cache-control': 'no-cache' });
    return reply.type('text/html; charset=utf-8').send(visitPage());
  });
  app.get('/app.js', (_request, reply) => reply.type('text/javascript').send(where.script));
  app.get('/page.css', (_request, reply) => reply.type('text/css').send(where.sheet));
  app.get('/data/:what', async (request, reply) => {
    const answer = await fetch(serviceUrl(request.url, where), { signal: leaving(reply.raw) });
    return reply
      .code(answer.status)
      .type('application/json')
      .send(await answer.text());
  });
  await app.ready();
  return createServer((request, response) => app.routing(request, response));
}
