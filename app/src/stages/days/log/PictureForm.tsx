import { useState } from 'react';
import { keepPicture } from '../../../job/pictures';
import { LineField, Tick } from './Field';
import type { EntryFormProps } from './formProps';

/** A picture’s longer side, in pixels: enough to read a tape in it. [ours] */
const LONGEST = 2000;

/** A picture scaled down and written anew, which leaves behind where and with what it was taken; null where it is none. */
async function smaller(file: Blob): Promise<Blob | null> {
  try {
    const picture = await createImageBitmap(file);
    const scale = Math.min(1, LONGEST / Math.max(picture.width, picture.height));
    const canvas = document.createElement('canvas');
    canvas.width = Math.max(1, Math.round(picture.width * scale));
    canvas.height = Math.max(1, Math.round(picture.height * scale));
    canvas.getContext('2d')?.drawImage(picture, 0, 0, canvas.width, canvas.height);
    return await new Promise((resolve) => {
      canvas.toBlob(resolve, 'image/jpeg', 0.85);
    });
  } catch {
    return null;
  }
}

/** Where a picture says that it was taken, in degrees; null where it does not. Fetched only where somebody wants it. */
async function placeOf(file: Blob): Promise<string | null> {
  try {
    const { gps } = await import('exifr');
    const place = (await gps(await file.arrayBuffer())) as
      { readonly latitude: number; readonly longitude: number } | undefined;
    if (!place || !Number.isFinite(place.latitude) || !Number.isFinite(place.longitude)) return null;
    return `at ${place.latitude.toFixed(5)}°, ${place.longitude.toFixed(5)}°`;
  } catch {
    return null;
  }
}

/** A picture from the camera or a file. */
export function PictureForm({ job, onWrite }: EntryFormProps<'picture'>) {
  const [what, setWhat] = useState('');
  const [file, setFile] = useState<File | null>(null);
  const [withPlace, setWithPlace] = useState(false);
  const [said, setSaid] = useState<string | null>(null);
  const send = async (): Promise<void> => {
    if (!file) return;
    setSaid('Sending …');
    const picture = await smaller(file);
    if (!picture) {
      setSaid('This file is no picture that the browser can read. Choose another one.');
      return;
    }
    const place = withPlace ? await placeOf(file) : null;
    const sent = await keepPicture(job.id, picture);
    switch (sent.kind) {
      case 'kept':
        setSaid(withPlace && place === null ? 'The picture does not say where it was taken.' : null);
        setFile(null);
        onWrite({
          file: sent.hash,
          what: [what, ...(place === null ? [] : [place])].filter(Boolean).join(', '),
        });
        return;
      case 'refused':
        setSaid(sent.what);
        return;
      case 'unreachable':
        setSaid('The server cannot be reached. Keep the picture and record it later.');
    }
  };
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        void send();
      }}
    >
      <label className="block">
        <span className="heading mb-0.5 block">Picture</span>
        <input
          type="file"
          className="field"
          accept="image/*"
          capture="environment"
          onChange={(event) => {
            setFile(event.currentTarget.files?.[0] ?? null);
          }}
        />
      </label>
      <Tick label="Write down where it was taken" done={withPlace} onSet={setWithPlace} />
      <LineField label="What it shows" text={what} onType={setWhat} />
      <button type="submit" className="button strong mt-2" disabled={file === null}>
        Record the picture
      </button>
      <p role="status" className="text-sm text-stop">
        {said}
      </p>
    </form>
  );
}
