import { Editor } from '@/editor/editor';

export default async function PiecePage({ params }: { params: Promise<{ id: string }> }) {
  const { id } = await params;
  return <Editor id={id} />;
}
