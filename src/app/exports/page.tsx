import type { Metadata } from 'next';
import { ExportList } from '@/editor/export';

export const metadata: Metadata = { title: 'Exports · Obelus' };

export default function Exports() {
  return <ExportList />;
}
