import { format } from 'date-fns';
import { useEffect, useState } from 'react';
import { siteNow } from '../../../job/clock';

/** A moment as a tap writes it: by the clock at the site, to the millisecond, so that two taps of one second keep their order. */
export const writeMoment = (moment: Date | number): string => format(moment, "yyyy-MM-dd'T'HH:mm:ss.SSSxxx");

/** The clock of the device as a tap writes it, second by second; and what brings it up to date at once. */
export function useNow(): readonly [string, () => void] {
  const [now, setNow] = useState(() => writeMoment(siteNow()));
  useEffect(() => {
    const timer = setInterval(() => {
      setNow(writeMoment(siteNow()));
    }, 1000);
    return () => {
      clearInterval(timer);
    };
  }, []);
  return [
    now,
    () => {
      setNow(writeMoment(siteNow()));
    },
  ];
}
