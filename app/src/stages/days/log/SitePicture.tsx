import { useEffect, useState } from 'react';
import { waitingPicture } from '../../../job/pictures';

interface SitePictureProps {
  readonly jobId: string;
  /** The hash by which it is named. */
  readonly file: string;
  readonly what: string;
  /** Whether its entry waits to be sent, and it with that. */
  readonly waiting: boolean;
}

/** A picture of the log; one that waits comes from this device. */
export function SitePicture({ jobId, file, what, waiting }: SitePictureProps) {
  const [own, setOwn] = useState<string | null>(null);
  useEffect(() => {
    if (waiting) void waitingPicture(jobId, file).then(setOwn);
  }, [jobId, file, waiting]);
  return (
    <img
      src={own ?? `/api/jobs/${jobId}/files/${file}`}
      alt={what === '' ? 'Picture from the site' : what}
      loading="lazy"
      className="mt-1 max-h-56 border border-ink"
    />
  );
}
