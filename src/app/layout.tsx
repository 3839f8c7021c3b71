import type { Metadata, Viewport } from 'next';
import type { ReactNode } from 'react';
import { AppShell } from '@/features/shared/shell/app-shell';
import { MessagesProvider } from '@/features/shared/shell/messages';
import { WordsProvider } from '@/features/shared/words/use-words';
import './globals.css';

export const metadata: Metadata = {
  title: 'New Thumb',
  description:
    'Moves a beginner’s piano piece into another key and five-finger position, and says what the hands must know.',
};

export const viewport: Viewport = { width: 'device-width', initialScale: 1 };

export default function RootLayout({ children }: { readonly children: ReactNode }) {
  return (
    <html lang="en">
      <body>
        <WordsProvider>
          <MessagesProvider>
            <AppShell>{children}</AppShell>
          </MessagesProvider>
        </WordsProvider>
      </body>
    </html>
  );
}
