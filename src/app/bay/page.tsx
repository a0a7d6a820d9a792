import type { Metadata } from 'next';
import { z } from 'zod';
import { EditBay } from '@/editor/bay';

export const metadata: Metadata = { title: 'Edit bay · Obelus' };

export default async function Bay({ searchParams }: { searchParams: Promise<Record<string, unknown>> }) {
  const { export: id } = await searchParams;
  return <EditBay exportId={z.uuid().safeParse(id).data ?? null} />;
}
