import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { cache } from 'react';
import { buildAt } from '@/server/reading';
import { Bench } from '@/ui/pages';

export const dynamic = 'force-dynamic';

type Props = { params: Promise<{ id: string }> };

const open = cache(buildAt);

export async function generateMetadata({ params }: Props): Promise<Metadata> {
  const opened = await open((await params).id);
  return { title: opened?.build.name ?? 'Not found' };
}

export default async function BuildPage({ params }: Props) {
  const opened = await open((await params).id);
  if (!opened) notFound();
  return <Bench {...opened} />;
}
