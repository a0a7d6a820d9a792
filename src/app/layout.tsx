import type { Metadata, Viewport } from 'next';
import type { ReactNode } from 'react';
import '@fontsource-variable/instrument-sans';
import '@fontsource/instrument-serif/400-italic.css';
import { cookies } from 'next/headers';
import { connection } from 'next/server';
import { THEME_COOKIE } from '@/editor/theme';
import { Providers } from './providers';

export const metadata: Metadata = { title: 'Obelus', description: 'Strokes that write themselves on.' };
export const viewport: Viewport = {
  themeColor: [
    { media: '(prefers-color-scheme: light)', color: '#efe8d9' },
    { media: '(prefers-color-scheme: dark)', color: '#15120e' },
  ],
};

export default async function RootLayout({ children }: { children: ReactNode }) {
  // Each answer has a nonce of its own, so no page is made beforehand.
  await connection();
  const theme = (await cookies()).get(THEME_COOKIE)?.value;
  return (
    <html lang="en-GB" {...((theme === 'dark' || theme === 'light') && { 'data-theme': theme })}>
      <body>
        <Providers>{children}</Providers>
      </body>
    </html>
  );
}
