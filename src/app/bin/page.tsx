import type { Metadata } from 'next';
import { inTheBin } from '@/server/reading';
import { BinPage } from '@/ui/pages';
import { Unread } from '@/ui/Trouble';

export const dynamic = 'force-dynamic';
export const metadata: Metadata = { title: 'Bin' };

export default async function Bin() {
  const read = await inTheBin();
  return read.ok ? <BinPage {...read.value} /> : <Unread why={read.why} />;
}
