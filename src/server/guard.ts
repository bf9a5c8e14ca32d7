/**
 * Who is answered. Havrik asks nobody for a password: what keeps others out is that it listens on this
 * machine only. A page from elsewhere could still reach it through the browser, by a name that leads to
 * 127.0.0.1 or by sending forms; both are told by the headers that browsers set and pages cannot.
 */
export interface Asked {
  method: string;
  /** The path as it was asked for, its escapes still in it. */
  path: string;
  /** The request's headers, by small letters. */
  header: (name: string) => string | null;
}

const OWN = ['127.0.0.1', 'localhost', '[::1]'];

/** Host names that are answered: this machine's, and those of `HAVRIK_HOSTS` (commas between). */
const answered = (): Set<string> =>
  new Set([
    ...OWN,
    ...(process.env.HAVRIK_HOSTS ?? '')
      .split(',')
      .map((name) => name.trim().toLowerCase())
      .filter(Boolean),
  ]);

const nameOf = (host: string): string => host.toLowerCase().replace(/:\d+$/u, '');

/** Why a request is not answered, in words, with its HTTP status; null where it is. */
export function refusalOf({
  method,
  path,
  header,
}: Asked): { status: number; message: string } | null {
  const host = header('host') ?? '';
  if (!answered().has(nameOf(host)))
    return {
      status: 403,
      message: `Havrik answers to 127.0.0.1 and localhost, not to “${host}”. To let it answer to another name, start it with HAVRIK_HOSTS=that-name.`,
    };
  if (!isWritten(path)) return { status: 400, message: 'There is no such address.' };
  if (['GET', 'HEAD', 'OPTIONS'].includes(method)) return null;
  // Browsers name the page's origin on everything that may change something; other programs do not.
  const origin = header('origin');
  const site = header('sec-fetch-site');
  const foreign = origin !== null && !isAt(origin, host);
  if (foreign || (site !== null && site !== 'same-origin' && site !== 'none'))
    return { status: 403, message: 'Havrik’s builds are changed by its own pages only.' };
  return null;
}

/** Whether the escapes of a path stand for letters. */
function isWritten(path: string): boolean {
  try {
    decodeURIComponent(path);
    return true;
  } catch {
    return false;
  }
}

function isAt(origin: string, host: string): boolean {
  try {
    return new URL(origin).host === new URL(`http://${host}`).host;
  } catch {
    return false;
  }
}

/** What a page may load and do; scripts carry this answer's `nonce`. `evaluates` while it is developed. */
export const policyOf = (nonce: string, evaluates = false): string =>
  [
    "default-src 'self'",
    `script-src 'self' 'nonce-${nonce}'${evaluates ? " 'unsafe-eval'" : ''}`,
    // Styles are written by the components as they are drawn.
    "style-src 'self' 'unsafe-inline'",
    "img-src 'self' data: blob:",
    "font-src 'self' data:",
    "worker-src 'self' blob:",
    "connect-src 'self'",
    "object-src 'none'",
    "base-uri 'none'",
    "form-action 'self'",
    "frame-ancestors 'none'",
  ].join('; ');
