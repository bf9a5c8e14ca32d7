import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { cache } from 'react';
import { buildAt } from '@/server/reading';
import { BuildPage } from '@/ui/pages';
import { Unread } from '@/ui/Trouble';
import { InTheBin } from '@/ui/bin/InTheBin';

export const dynamic = 'force-dynamic';

type Props = { params: Promise<{ id: string }> };

const open = cache(buildAt);

export async function generateMetadata({ params }: Props): Promise<Metadata> {
  const read = await open((await params).id);
  const name = read.ok && read.value && 'build' in read.value && read.value.build.build.name;
  return { title: name || 'Not found' };
}

export default async function Page({ params }: Props) {
  const read = await open((await params).id);
  if (!read.ok) return <Unread why={read.why} />;
  if (!read.value) notFound();
  return 'build' in read.value ? (
    <BuildPage key={read.value.build.id} {...read.value.build} />
  ) : (
    <InTheBin id={read.value.id} name={read.value.binned} />
  );
}
