import { randomBytes } from 'node:crypto';
import { createServer, request as ask } from 'node:http';
import type { IncomingMessage, Server, ServerResponse } from 'node:http';
import { z } from 'zod';
import { Pairing } from './pairing';

/**
 * The door to the local network. The application itself listens on 127.0.0.1 as ever; this stands before it, lets nobody
 * in who was not paired, and answers to the host's own addresses only.
 */
export interface Door {
  server: Server;
  pairing: Pairing;
}

const COOKIE = 'havrik-paired';
/** A code is a few letters: no more of a form is heard. */
const LONGEST_FORM = 1000;
const formSchema = z.object({ code: z.string().max(40) });

/**
 * @param port of the application on 127.0.0.1
 * @param hosts names that this machine has on the network, without port
 * @param onPaired called when somebody was let in
 */
export function makeDoor(
  port: number,
  hosts: readonly string[],
  onPaired: () => void = () => undefined,
  pairing = new Pairing(),
): Door {
  const server = createServer((request, response) => {
    const why = foreign(request, hosts);
    if (why) {
      say(response, 403, why);
      return;
    }
    if (request.url === '/pair' && request.method === 'POST') {
      void hear(request).then((form) => {
        const answer = pairing.pair(form ?? '');
        if (!answer.ok) {
          pairPage(response, answer.why);
          return;
        }
        onPaired();
        response.writeHead(303, {
          location: '/',
          'set-cookie': `${COOKIE}=${answer.token}; HttpOnly; SameSite=Strict; Path=/; Max-Age=2592000`,
        });
        response.end();
      });
      return;
    }
    if (!pairing.knows(cookieOf(request))) {
      // Whoever reads a page is told how to come in; a program is told that it does not.
      if (request.headers.accept?.includes('text/html')) pairPage(response, '');
      else
        say(
          response,
          403,
          'This telephone is not paired with Havrik: open its address and type the code.',
        );
      return;
    }
    if (request.url === '/pair') {
      response.writeHead(303, { location: '/' });
      response.end();
      return;
    }
    pass(request, response, port);
  });
  return { server, pairing };
}

/** Why a request is none of the host's own pages'; null where it is. */
function foreign({ headers, method }: IncomingMessage, hosts: readonly string[]): string | null {
  const host = headers.host ?? '';
  if (!hosts.includes(host.replace(/:\d+$/u, '').toLowerCase()))
    return `Havrik answers to ${hosts.join(', ')} here, not to “${host.slice(0, 60)}”.`;
  if (method === 'GET' || method === 'HEAD') return null;
  const { origin } = headers;
  const site = headers['sec-fetch-site'];
  if (
    (origin !== undefined && origin !== `http://${host}`) ||
    (site !== undefined && site !== 'same-origin' && site !== 'none')
  )
    return 'Havrik’s builds are changed by its own pages only.';
  return null;
}

const cookieOf = ({ headers }: IncomingMessage): string | undefined =>
  headers.cookie
    ?.split(/;\s*/u)
    .find((one) => one.startsWith(`${COOKIE}=`))
    ?.slice(COOKIE.length + 1);

function say(response: ServerResponse, status: number, message: string): void {
  response.writeHead(status, { 'content-type': 'application/json; charset=utf-8' });
  response.end(JSON.stringify({ message }));
}

/** The form's code; null where it is none. */
async function hear(request: IncomingMessage): Promise<string | null> {
  let text = '';
  for await (const chunk of request) {
    text += String(chunk);
    if (text.length > LONGEST_FORM) return null;
  }
  const form = formSchema.safeParse(Object.fromEntries(new URLSearchParams(text)));
  return form.success ? form.data.code : null;
}

/** Hands a request on to the application under the name that it answers to, and its answer back. */
function pass(request: IncomingMessage, response: ServerResponse, port: number): void {
  const inside = `127.0.0.1:${port}`;
  const { cookie: _, ...headers } = request.headers;
  const onward = ask(
    {
      host: '127.0.0.1',
      port,
      method: request.method,
      path: request.url,
      headers: {
        ...headers,
        host: inside,
        ...(headers.origin !== undefined && { origin: `http://${inside}` }),
      },
    },
    (answer) => {
      response.writeHead(answer.statusCode ?? 502, answer.headers);
      answer.pipe(response);
    },
  );
  onward.on('error', () => {
    if (response.headersSent) response.destroy();
    else say(response, 502, 'Havrik does not answer on its own machine.');
  });
  response.on('close', () => onward.destroy());
  request.pipe(onward);
}

const page = (nonce: string, why: string): string => `<!doctype html>
<html lang="en">
<head>
<meta charset="utf-8">
<meta name="viewport" content="width=device-width, initial-scale=1">
<title>Havrik: pair this telephone</title>
<style nonce="${nonce}">
body { font: 18px sans-serif; margin: 2rem 1.25rem; background: #f6f2e8; color: #22282d; max-width: 26rem }
input { font: inherit; font-size: 28px; letter-spacing: 4px; width: 100%; box-sizing: border-box; padding: 10px; margin: 8px 0 }
button { font: inherit; padding: 14px 22px; width: 100%; background: #1b5788; color: #fdfbf6; border: 0; border-radius: 4px }
[role=alert] { color: #a32f1c }
</style>
</head>
<body>
<h1>Pair with Havrik</h1>
<form method="post" action="/pair">
<label for="code">The eight digits that the terminal shows</label>
<input id="code" name="code" inputmode="numeric" autocomplete="one-time-code" maxlength="12" autofocus>
<p role="alert">${why}</p>
<button>Pair this telephone</button>
</form>
<script nonce="${nonce}">
const code = location.hash.slice(1);
if (/^\\d{8}$/.test(code)) {
  history.replaceState(null, '', location.pathname);
  document.getElementById('code').value = code;
  document.forms[0].submit();
}
</script>
</body>
</html>
`;

function pairPage(response: ServerResponse, why: string): void {
  const nonce = randomBytes(16).toString('base64');
  response.writeHead(403, {
    'content-type': 'text/html; charset=utf-8',
    'cache-control': 'no-store',
    'content-security-policy': `default-src 'none'; script-src 'nonce-${nonce}'; style-src 'nonce-${nonce}'; form-action 'self'; frame-ancestors 'none'; base-uri 'none'`,
  });
  response.end(page(nonce, why));
}
