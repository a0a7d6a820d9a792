import type { Metadata, Viewport } from 'next';
import type { ReactNode } from 'react';
import '@fontsource-variable/instrument-sans';
import '@fontsource/instrument-serif/400-italic.css';
import { connection } from 'next/server';
import { Providers } from './providers';

export const metadata: Metadata = { title: 'Obelus', description: 'Strokes that write themselves on.' };
export const viewport: Viewport = { themeColor: '#15120e' };

export default async function RootLayout({ children }: { children: ReactNode }) {
  // Each answer has a nonce of its own, so no page is made beforehand.
  await connection();
  return (
    <html lang="en">
      <body>
        <Providers>{children}</Providers>
      </body>
    </html>
  );
}
