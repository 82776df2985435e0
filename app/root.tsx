import '@fontsource-variable/vollkorn/index.css';
import '@fontsource-variable/vollkorn/wght-italic.css';
import '@fontsource-variable/source-sans-3/index.css';
import './theme/code-font.css';
import './theme/app.css';
import { App as AntApp, ConfigProvider } from 'antd';
import enUS from 'antd/locale/en_US';
import { type ReactNode, useContext, useMemo } from 'react';
import {
  isRouteErrorResponse,
  Link,
  Links,
  Meta,
  Outlet,
  Scripts,
  ScrollRestoration,
  useRouteLoaderData,
} from 'react-router';
import type { Route } from './+types/root';
import { NewerNotice } from './offline/newer-notice';
import { loadSetting } from './storage/own-records';
import { storageFault } from './storage/storage-fault';
import { ubertas } from './theme/antd-theme';
import { NonceContext } from './theme/nonce';
import { StopGlyph } from './ui/glyphs';
import { Units, UnitsContext } from './ui/format';
import { Loading } from './ui/loading';
import { Wordmark } from './ui/wordmark';
import { BackupReminder } from './work/backup-reminder';
import { LittleRoom } from './work/little-room';
import { ConflictDialog } from './work/conflict-dialog';
import { useSettled } from './work/conflicts';

export const meta: Route.MetaFunction = () => [
  { title: 'Ubertas' },
  { name: 'description', content: 'Reads soil tests and builds lawn fertility plans.' },
  { name: 'theme-color', content: '#F2F0E5' },
];
export const links: Route.LinksFunction = () => [
  { rel: 'icon', href: '/mark.svg', type: 'image/svg+xml' },
  { rel: 'manifest', href: '/ubertas.webmanifest' },
];

// in Node the locale arrives wrapped in a namespace
const locale = (enUS as typeof enUS & { default?: typeof enUS }).default ?? enUS;

export function Layout({ children }: { children: ReactNode }) {
  const nonce = useContext(NonceContext);
  const kept = useRouteLoaderData<typeof clientLoader>('root')?.units;
  const units = useMemo(() => new Units(kept), [kept]);
  return (
    <html lang="en">
      <head>
        <meta charSet="utf-8" />
        <meta name="viewport" content="width=device-width, initial-scale=1" />
        <Meta />
        <Links />
      </head>
      <body>
        <a className="skip" href="#main">
          Go to the page
        </a>
        <ConfigProvider theme={{ ...ubertas, hashed: false }} locale={locale}>
          <UnitsContext value={units}>
            <AntApp>
              <LittleRoom />
              <BackupReminder />
              <NewerNotice />
              {children}
              <ConflictDialog />
            </AntApp>
          </UnitsContext>
        </ConfigProvider>
        <ScrollRestoration nonce={nonce} />
        <Scripts nonce={nonce} />
      </body>
    </html>
  );
}

/** How numbers and units are shown here; where nothing is kept, as they ship. */
export async function clientLoader() {
  return { units: await loadSetting('units').catch(() => undefined) };
}
clientLoader.hydrate = true as const;

export function HydrateFallback() {
  return <Loading />;
}

export default function Root() {
  // after a choice between two versions every page begins anew with what stands
  return <Outlet key={useSettled()} />;
}

/** What failed, what is safe, what to do. */
export function ErrorBoundary({ error }: Route.ErrorBoundaryProps) {
  const missing = isRouteErrorResponse(error) && error.status === 404;
  const says = missing
    ? String(error.data || 'There is no such page.')
    : (storageFault(error) ??
      'Something in Ubertas failed while drawing this page. What you saved is safe in this browser. Reload, or go back to the properties.');
  return (
    <>
      <header className="top">
        <Wordmark />
      </header>
      <main id="main" className="empty">
        <p className="fault" style={{ font: 'var(--t-lead)' }}>
          <StopGlyph />
          {says}
        </p>
        <p className="links">
          <Link className="link" to="/">
            All properties
          </Link>
        </p>
      </main>
    </>
  );
}
