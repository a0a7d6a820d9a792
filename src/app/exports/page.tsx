import type { Metadata } from 'next';
import { ExportList } from '@/editor';

export const metadata: Metadata = { title: 'Exports · Obelus' };

export default function Exports() {
  return <ExportList />;
}
