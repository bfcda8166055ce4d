import { useState } from 'react';
import { LineField } from './Field';
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

/** A picture from the camera or a file. */
export function PictureForm({ job, onWrite }: EntryFormProps<'picture'>) {
  const [what, setWhat] = useState('');
  const [file, setFile] = useState<File | null>(null);
  const [said, setSaid] = useState<string | null>(null);
  const send = async (): Promise<void> => {
    if (!file) return;
    setSaid('Sending …');
    const picture = await smaller(file);
    if (!picture) {
      setSaid('This file is no picture that the browser can read. Choose another one.');
      return;
    }
    try {
      const response = await fetch(`/api/jobs/${job.id}/files`, {
        method: 'POST',
        headers: { 'Content-Type': picture.type },
        body: picture,
      });
      const answer = (await response.json()) as {
        readonly hash?: string;
        readonly problems?: readonly { readonly what: string }[];
      };
      if (answer.hash === undefined) setSaid(answer.problems?.[0]?.what ?? 'The server did not take it.');
      else {
        setSaid(null);
        setFile(null);
        onWrite({ file: answer.hash, what });
      }
    } catch {
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
