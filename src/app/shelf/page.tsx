import type { Metadata } from 'next';
import { allParts } from '@/server/reading';
import { ShelfPage } from '@/ui/pages';

export const dynamic = 'force-dynamic';
export const metadata: Metadata = { title: 'Parts shelf' };

export default async function Shelf() {
  return <ShelfPage parts={await allParts()} />;
}
