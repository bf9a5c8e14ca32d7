import { z } from 'zod';
import { LARGEST_FILE, tooLarge } from '../core/file/buildFile';
import { describeProblems, problemsOf } from '../core/model/problems';
import { DatabaseTrouble, UnreadableBuild } from '../db/trouble';
import { BUILT, BUILT_HEADER } from './built';

/** A request that cannot be answered, in words, with its HTTP status. */
export class Refused extends Error {
  constructor(
    readonly status: number,
    message: string,
  ) {
    super(message);
  }
}

export const idSchema = z.uuid();
/** How much of a request that is too large is heard out, bytes. */
const PATIENCE = 64_000_000;

/** Answers with JSON; trouble becomes `{ message }` in words. Every answer names the build of the program. */
export async function answering(work: () => Promise<Response>): Promise<Response> {
  const response = await inWords(work);
  response.headers.set(BUILT_HEADER, BUILT);
  return response;
}

async function inWords(work: () => Promise<Response>): Promise<Response> {
  try {
    return await work();
  } catch (error) {
    if (error instanceof Refused) return refusal(error.status, error.message);
    if (error instanceof UnreadableBuild) return refusal(422, error.message);
    if (error instanceof DatabaseTrouble) return refusal(503, error.message);
    throw error;
  }
}

const refusal = (status: number, message: string) => Response.json({ message }, { status });

export function buildId(id: string): string {
  if (!idSchema.safeParse(id).success) throw new Refused(404, 'There is no such build.');
  return id;
}

/**
 * The JSON body of a request that only a page of Havrik's own can have sent (browsers ask before
 * they send JSON across sites); no more of it is kept than the largest file needs.
 */
export async function jsonBody<T>(request: Request, schema: z.ZodType<T>): Promise<T> {
  if (!request.headers.get('content-type')?.startsWith('application/json'))
    throw new Refused(415, 'Havrik expects JSON.');
  // Text within JSON may take two bytes for one.
  const { size, bytes } = await bytesOf(request, 2 * LARGEST_FILE, PATIENCE);
  if (!bytes) throw new Refused(413, tooLarge(size));
  let value: unknown;
  try {
    value = JSON.parse(bytes.toString('utf8'));
  } catch {
    throw new Refused(400, 'The request was cut off on the way.');
  }
  const parsed = schema.safeParse(value);
  if (!parsed.success) throw new Refused(400, describeProblems(problemsOf(parsed.error)));
  return parsed.data;
}

/**
 * What a request has in it, and how much that is; null where it is more than `most`, of which `patience` is heard out, so
 * that the sender hears the answer. All in bytes.
 */
export async function bytesOf(
  request: Request,
  most: number,
  patience: number,
): Promise<{ size: number; bytes: Buffer | null }> {
  let size = 0;
  const chunks: Uint8Array[] = [];
  const reader = request.body?.getReader();
  for (;;) {
    const { done, value: bytes } = (await reader?.read()) ?? { done: true, value: undefined };
    if (done || !bytes) break;
    size += bytes.length;
    if (size <= most) chunks.push(bytes);
    else if (size > patience) break;
  }
  return { size, bytes: size > most ? null : Buffer.concat(chunks) };
}

/** Lines as server-sent events for as long as somebody listens. @param begin gives back what stops it */
export function spoken(
  request: Request,
  begin: (say: (text: string) => void) => () => void,
): Response {
  let stop: () => void = () => undefined;
  const stream = new ReadableStream<Uint8Array>({
    start(controller) {
      stop = begin((lines) => {
        const text = lines
          .split('\n')
          .filter(Boolean)
          .map((line) => `data: ${line}\n\n`)
          .join('');
        // A remark keeps the connection while nothing is said.
        controller.enqueue(new TextEncoder().encode(text || ': quiet\n\n'));
      });
    },
    cancel: () => stop(),
  });
  request.signal.addEventListener('abort', () => stop());
  return new Response(stream, {
    headers: { 'content-type': 'text/event-stream', 'cache-control': 'no-store, no-transform' },
  });
}
