import { allBuilds } from '@/server/reading';
import { BuildsPage } from '@/ui/pages';

export const dynamic = 'force-dynamic';

export default async function Home() {
  return <BuildsPage builds={await allBuilds()} />;
}
