import { useEffect, useState } from 'react';
import { Link, useLocation } from 'react-router';
import { sayDate } from '@core/words/days';
import { isBackupDue, sinceBackup, type Unsaved, USUAL_BACKUP_DAYS } from '../storage/keeping';
import { loadSetting } from '../storage/own-records';
import { switchLetters } from '../ui/keys';
import { todayIso } from '../ui/today';

/** A quiet line over every page while a backup is due; it asks nothing and covers nothing. Also sets how the keys behave here. */
export function BackupReminder() {
  const { key } = useLocation();
  const [due, setDue] = useState<Unsaved>();
  useEffect(() => {
    let left = false;
    const look = async () => {
      const [unsaved, keeping, defaults] = await Promise.all([
        sinceBackup(),
        loadSetting('keeping'),
        loadSetting('defaults'),
      ]);
      if (left) return;
      switchLetters(!defaults?.lettersOff);
      setDue(isBackupDue(unsaved, keeping?.backupEveryDays ?? USUAL_BACKUP_DAYS, todayIso()) ? unsaved : undefined);
    };
    // a browser that keeps nothing says so where something is to be kept
    look().catch(() => undefined);
    return () => {
      left = true;
    };
  }, [key]);
  if (!due) return null;
  return (
    <p className="backupdue" role="status">
      {due.backupOn ? `The last backup is of ${sayDate(due.backupOn)}` : 'There is no backup yet'}, with {due.changes}{' '}
      {due.changes === 1 ? 'change' : 'changes'} since. <Link to="/settings#keeping">Save one</Link>
    </p>
  );
}
