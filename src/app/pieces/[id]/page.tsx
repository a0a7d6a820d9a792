import { Editor } from '@/editor';

export default async function PiecePage({ params }: { params: Promise<{ id: string }> }) {
  const { id } = await params;
  return <Editor id={id} />;
}
