import type { Metadata } from 'next';
import { allParts } from '@/server/reading';
import { ShelfPage } from '@/ui/pages';
import { Unread } from '@/ui/Trouble';

export const dynamic = 'force-dynamic';
export const metadata: Metadata = { title: 'Parts shelf' };

export default async function Shelf() {
  const read = await allParts();
  return read.ok ? <ShelfPage parts={read.value} /> : <Unread why={read.why} />;
}
