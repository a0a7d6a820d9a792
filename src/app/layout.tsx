import type { Metadata, Viewport } from 'next';
import type { ReactNode } from 'react';
import '@fontsource-variable/instrument-sans';
import '@fontsource/instrument-serif/400-italic.css';
import { Providers } from './providers';

export const metadata: Metadata = { title: 'Obelus', description: 'Strokes that write themselves on.' };
export const viewport: Viewport = { themeColor: '#15120e' };

export default function RootLayout({ children }: { children: ReactNode }) {
  return (
    <html lang="en">
      <body>
        <Providers>{children}</Providers>
      </body>
    </html>
  );
}
