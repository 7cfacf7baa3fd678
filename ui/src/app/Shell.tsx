import { useDisclosure, useHotkeys } from '@mantine/hooks';
import { lazy, Suspense, useEffect, useState } from 'react';
import { Outlet, useLocation, useNavigate } from 'react-router';
import { SheetAtHand } from '../features/calculators/sheetAtHand';
import { useNow } from '../features/sessions/useBench';
import type { Schemas } from '../shared/api/client';
import { useLive } from '../shared/live/useLive';
import { LoadTrouble, Waiting } from '../shared/Loaded';
import page from '../shared/page/page.module.css';
import { useExpired } from '../shared/useMe';
import { useSingleKeys } from '../shared/useSingleKeys';
import { Guard } from './Guard';
import css from './shell.module.css';
import { Top } from './Top';
import { useCommands } from './useCommands';

const SignInAgain = lazy(() => import('./SignInAgain'));
const Palette = lazy(() => import('./Palette'));
const StopScreen = lazy(() => import('../features/floor/StopScreen'));
const Keys = lazy(() => import('./KeysDialog'));
const Calculators = lazy(() => import('../features/calculators/Calculators'));

/** The frame around every screen: name, ways, keys, palette, line to the server. */
export default function Shell({ me }: { me: Schemas['Person'] }) {
  const live = useLive();
  const expired = useExpired();
  const navigate = useNavigate();
  const [help, { open: openHelp, close: closeHelp }] = useDisclosure(false);
  const [calculating, { open: openCalculators, close: closeCalculators }] = useDisclosure(false);
  // How often the palette was called: its code is fetched at the first call.
  const [called, setCalled] = useState(0);
  const call = () => setCalled((times) => times + 1);
  // A new page begins at its top.
  const { pathname } = useLocation();
  useEffect(() => {
    window.scrollTo({ top: 0 });
  }, [pathname]);
  const commands = useCommands(me, { openHelp, openCalculators });
  useHotkeys([['mod+K', call]], []);
  useSingleKeys([
    ['shift+?', openHelp],
    ['t', () => void navigate('/')],
    ['c', openCalculators],
    ['u', commands.toggleUnits],
    ['d', commands.toggleLight],
  ]);
  return (
    <>
      <a href="#main" className={page.skip}>
        To the page
      </a>
      <Top me={me} commands={commands} onGoTo={call} />
      {!live && (
        <p className="offline" role="status">
          The line to the server is down. What you see may be old; it catches up by itself.
        </p>
      )}
      {me.role === 'instructor' && <BoothKeys />}
      <SheetAtHand>
        <main id="main" tabIndex={-1} className={css.main}>
          <Guard path={pathname}>
            <Suspense fallback={<Waiting what="the page" again={() => window.location.reload()} />}>
              <Outlet />
            </Suspense>
          </Guard>
        </main>
        <Suspense>
          {called > 0 && <Palette me={me} called={called} commands={commands} />}
          {help && <Keys onClose={closeHelp} />}
          {calculating && <Calculators onClose={closeCalculators} />}
        </Suspense>
      </SheetAtHand>
      <Suspense>
        <StopScreen mayEnd={me.role === 'instructor'} />
      </Suspense>
      <Suspense>{expired && <SignInAgain me={me} />}</Suspense>
    </>
  );
}

/** A digit for each booth. */
function BoothKeys() {
  const navigate = useNavigate();
  const now = useNow();
  const booths = now.data?.booths ?? [];
  // By the key's place: with shift a digit key writes another sign on every layout.
  const digit = (prefix: string, path: (id: string) => string) =>
    booths
      .filter((booth) => booth.number < 10)
      .map(
        (booth) =>
          [
            `${prefix}Digit${booth.number}`,
            () => void navigate(path(booth.id)),
            { usePhysicalKeys: true },
          ] as [string, () => void, { usePhysicalKeys: boolean }],
      );
  useSingleKeys([...digit('', (id) => `/booths/${id}/bench`), ...digit('shift+', (id) => `/booths/${id}`)]);
  return <LoadTrouble of={now} what="tonight’s booths" />;
}
