import { firstBuilds } from '@/server/reading';
import { BuildsPage } from '@/ui/pages';
import { Unread } from '@/ui/Trouble';

export const dynamic = 'force-dynamic';

export default async function Home() {
  const read = await firstBuilds();
  return read.ok ? <BuildsPage first={read.value} /> : <Unread why={read.why} />;
}
