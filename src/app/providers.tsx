'use client';
import { QueryClientProvider } from '@tanstack/react-query';
import { useServerInsertedHTML } from 'next/navigation';
import { useEffect, useState, type ReactNode } from 'react';
import { ServerStyleSheet, StyleSheetManager } from 'styled-components';
import { useExportWatch } from '@/editor/export-watch';
import { queries } from '@/editor/queries';
import { ContextMenus, GlobalStyle, holdDrops, keepFocus } from '@/ui';

/** Collects the styles of a page rendered on the server, as styled-components documents it for the App Router. */
function StyleRegistry({ children }: { children: ReactNode }) {
  const [sheet] = useState(() => new ServerStyleSheet());
  useServerInsertedHTML(() => {
    const styles = sheet.getStyleElement();
    sheet.instance.clearTag();
    return styles;
  });
  if (typeof window !== 'undefined') return children;
  return <StyleSheetManager sheet={sheet.instance}>{children}</StyleSheetManager>;
}

export function Providers({ children }: { children: ReactNode }) {
  useEffect(holdDrops, []);
  useEffect(keepFocus, []);
  useExportWatch();
  return (
    <StyleRegistry>
      <GlobalStyle />
      <QueryClientProvider client={queries}>{children}</QueryClientProvider>
      <ContextMenus />
    </StyleRegistry>
  );
}
