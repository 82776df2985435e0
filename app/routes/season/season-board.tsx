import { codesToReview } from '@core/codes/code-review';
import type { ReactNode } from 'react';
import { Link, useLocation } from 'react-router';
import { doseKey } from '@core/season/plan/dose-key';
import { Fault } from '../../ui/field';
import { AddDose } from './board/add-dose';
import { closedToNitrogen } from '@core/season/plan/season-windows';
import { BoardBar } from './board/board-bar';
import { BoardChecks } from './board/board-checks';
import { BoardLanes } from './board/board-lanes';
import { BoardShortfalls } from './board/board-shortfalls';
import { ConsequenceLine } from './board/consequence-line';
import { DosePanel } from './board/dose-panel';
import { NO_EDITS } from './board/use-edits-that-mend';
import { useWhyDose } from './board/use-why-dose';
import { ZoneNitrogen } from './board/zone-nitrogen';
import { BesidePlan } from './compare/beside-plan';
import { Buying } from './export/buying';
import { NothingFound, provenance } from './search/solve-bar';
import { SearchLine } from '../../solving/search-line';
import { type SeasonBoardProps, type SeasonBoardState, useSeasonBoard } from './use-season-board';

/** The season's board: the plan found or drawn by hand, judged at every step. */
export function SeasonBoard({ years, ...props }: SeasonBoardProps & { years: ReactNode }) {
  const at = useSeasonBoard(props);
  const { work, zone, send } = props;
  const { shown, shownZone, judged, doses, board, searching, found, refusal } = at;
  if (!shownZone) return null;
  return (
    <div className="sn">
      <div className="body">
        <div>
          <SeasonHead at={at} years={years} />
          <BoardBar at={at} />
          {searching && <SearchLine progress={at.progress} onStop={at.stop} />}
          {found?.status === 'drafted' && <NothingFound onClose={() => at.setFound(undefined)} />}
          {found && 'setAside' in found && found.setAside.length > 0 && (
            <ul className="setaside">
              {found.setAside.map((says) => (
                <li key={says} className="small">
                  {says}
                </li>
              ))}
            </ul>
          )}
          <Fault>{refusal}</Fault>
          {board.consequence && <ConsequenceLine {...board.consequence} />}
          <BoardLanes
            season={shown}
            products={at.products}
            planned={at.held ?? doses}
            judged={judged}
            given={at.given}
            ghosts={at.ghosts}
            today={at.today}
            focusedZoneId={zone.id}
            selected={at.selected}
            hand={at.hand}
          />
          {shownZone.season && <ZoneNitrogen at={at} />}
          <BesidePlan
            work={work}
            zone={zone}
            shown={shown}
            shownZone={shownZone}
            doses={doses}
            aim={at.aim}
            edited={at.edited}
            onAim={at.setAim}
            onTake={(next, says) => board.take(next, says)}
            onFindBeside={searching ? undefined : () => void at.findBeside()}
            send={send}
          />
        </div>
        <aside className="margin">
          <PickedDose at={at} />
          <BoardShortfalls
            shortfalls={at.shortfalls}
            zoneName={(id) => (at.file.zones.length > 1 ? at.file.zones.find((z) => z.id === id)?.name : undefined)}
            onCure={at.cure}
          />
          <BoardChecks
            judged={judged}
            reviews={codesToReview(at.file.codes ?? [], at.today)}
            zoneId={zone.id}
            editsThatMend={at.held ? NO_EDITS : at.editsThatMend}
            onMend={({ doses: next, says }) => at.edit({ doses: next, says })}
          />
          <Buying doses={at.all} products={at.products} />
        </aside>
      </div>
      {at.adding && (
        <AddDose
          zones={at.file.zones}
          zoneId={zone.id}
          products={at.products}
          year={at.year}
          phosphorusWanted={shownZone.prescription.phosphorus.yearLb > 0}
          nitrogenClosed={(zoneId, date) => closedToNitrogen(at.shown, zoneId, date)}
          doses={doses}
          onAdd={(next, says) => {
            at.setAdding(false);
            at.edit({ doses: next, says });
          }}
          onClose={() => at.setAdding(false)}
        />
      )}
    </div>
  );
}

function SeasonHead({
  at: { year, all, judged, plan, edited, pending },
  years,
}: {
  at: SeasonBoardState;
  years: ReactNode;
}) {
  const { hash } = useLocation();
  return (
    <div className="pagehead">
      <h1>Season {year}</h1>
      <span>
        <b>{all.length}</b> doses on {judged.trips} days
      </span>
      <span className="small" aria-busy={pending}>
        {provenance(plan, edited)}
      </span>
      <span className="sp" />
      <Link className="link" to={{ pathname: 'climate', hash }}>
        Climate
      </Link>
      <Link className="link" to={{ pathname: 'move-here', hash }}>
        Move a programme here
      </Link>
      {years}
    </div>
  );
}

/** The dose that is picked on the board, to be changed by typing. */
function PickedDose({ at }: { at: SeasonBoardState }) {
  const { shown, shownZone, doses, selected, edits, edit } = at;
  const isPicked = (dose: Parameters<typeof doseKey>[0]) => doseKey(dose) === selected;
  const picked = shownZone?.doses.find(isPicked) ?? shown.zones.flatMap((z) => z.doses).find(isPicked);
  const planned = doses.find(isPicked);
  const zone = at.file.zones.find((z) => z.id === picked?.zoneId);
  const why = useWhyDose(at.file, at.draft, doses, at.board.judged, planned && doseKey(planned));
  if (!picked || !planned || !zone) return null;
  const key = doseKey(planned);
  return (
    <DosePanel
      dose={picked}
      planned={planned}
      zone={zone}
      products={at.products}
      year={at.year}
      given={at.given.has(key)}
      why={why}
      onMoveTo={(date) => edit(edits.moveTo(key, date))}
      onRate={(lb) => edit(edits.rate(key, lb))}
      onSwap={(product) => edit(edits.swap(key, product))}
      onLock={() => at.hand.lock(key)}
      onRemove={() => at.hand.remove(key)}
      onClose={() => at.select(undefined)}
    />
  );
}
