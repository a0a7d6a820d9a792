'use client';
import { useState } from 'react';
import { FolderOpen } from 'lucide-react';
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { formatOf, isWatched } from '@/contract';
import { Button, Mark, Notices } from '@/ui';
import { Desk, Empty, Problem, Side, Top, Whole } from './bay-frame';
import { ExportChoice } from './bay-panel';
import { chooseFiles } from '../choose-files';
import { Looked } from './looked';
import { useListed, useReceived } from './use-bay';

/** The stand-in for the program that receives an export: a file laid over a shot as that program would. */
export function EditBay({ exportId }: { exportId: string | null }) {
  const router = useRouter();
  const [fromOutside, setFromOutside] = useState(false);
  const { received, error, waiting, take } = useReceived(fromOutside ? null : exportId);
  const listed = useListed();
  const ready = listed.filter(
    ({ status, settings }) => status === 'done' && isWatched(formatOf(settings.format)),
  );
  const bring = () =>
    chooseFiles('', ([file]) => {
      setFromOutside(true);
      void take(file!);
    });
  const choice = (
    <div style={{ display: 'grid', gap: 6 }}>
      <ExportChoice
        exports={ready}
        chosen={fromOutside ? null : exportId}
        onChange={(id) => {
          setFromOutside(false);
          router.replace(`/bay?export=${id}`);
        }}
      />
      <Button $wide style={{ marginTop: 0 }} onPress={bring}>
        <FolderOpen aria-hidden /> A file from outside …
      </Button>
    </div>
  );
  return (
    <Whole>
      <Top>
        <Link href="/" aria-label="All projects">
          <Mark size={30} />
        </Link>
        <h1>Edit bay</h1>
        <p>{received ? received.name : 'What the program that receives a file makes of it.'}</p>
        <Link href="/exports">Exports</Link>
      </Top>
      {received ? (
        <Looked key={received.hash + received.name} received={received} choice={choice} />
      ) : (
        <>
          <Side aria-label="The file">{choice}</Side>
          <Desk>
            {error ? (
              <Problem role="alert">{error}</Problem>
            ) : waiting ? (
              <Empty>
                <p>Reading the file …</p>
              </Empty>
            ) : (
              <Empty>
                <p>
                  Choose an export, or bring a file from outside. It is laid over a shot as an editing
                  program, a mixer or a page would, and compared with the piece.
                </p>
              </Empty>
            )}
          </Desk>
        </>
      )}
      <Notices />
    </Whole>
  );
}
