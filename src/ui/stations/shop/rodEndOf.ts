import type { RodEndMade } from '@/core/model/made';
import type { Part } from '@/core/model/parts';
import { threadNamed } from '@/core/model/threads';

/** What the shelf says of a rod end; a thread that is written otherwise than any that is known is left as it was. */
export function rodEndOf({
  name,
  bore,
  hand,
  body,
  thread,
}: Extract<Part, { kind: 'rodEnd' }>): Partial<RodEndMade> {
  const known = threadNamed(thread);
  return { part: name, bore, hand, body, ...(known && { thread: known }) };
}
