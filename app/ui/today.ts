import dayjs from 'dayjs';

/** Today on this machine, as ISO text. */
export const todayIso = (): string => dayjs().format('YYYY-MM-DD');

/** This moment as the clock here shows it, with its distance from universal time: '2027-04-06T10:00:00-04:00'. */
export const momentHere = (): string => dayjs().format('YYYY-MM-DDTHH:mm:ssZ');
