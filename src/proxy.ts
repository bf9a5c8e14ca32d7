import { NextResponse } from 'next/server';
import type { NextRequest } from 'next/server';
import { policyOf, refusalOf } from './server/guard';

/** Before anything is answered: who asks, and what the page may then do. */
export function proxy(request: NextRequest): NextResponse {
  const refusal = refusalOf({
    method: request.method,
    path: request.nextUrl.pathname,
    header: (name) => request.headers.get(name),
  });
  if (refusal) {
    const { message, status } = refusal;
    return NextResponse.json({ message }, { status });
  }
  const policy = policyOf(crypto.randomUUID(), process.env.NODE_ENV === 'development');
  // The page's own scripts are given the nonce that this header names.
  const headers = new Headers(request.headers);
  headers.set('content-security-policy', policy);
  const answer = NextResponse.next({ request: { headers } });
  answer.headers.set('content-security-policy', policy);
  return answer;
}
