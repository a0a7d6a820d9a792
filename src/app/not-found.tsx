import { PageFrame } from '@/editor/page-frame';

/** What is seen under an address that leads nowhere. */
export default function NotFound() {
  return (
    <PageFrame title="Nothing is here" words="This address leads to no page of Obelus.">
      <p>It may be mistyped, or what it led to was deleted. Deleted pieces stay in the bin for a while.</p>
    </PageFrame>
  );
}
