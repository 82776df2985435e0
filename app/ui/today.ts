import dayjs from 'dayjs';

/** Today on this machine, as ISO text. */
export const todayIso = (): string => dayjs().format('YYYY-MM-DD');
