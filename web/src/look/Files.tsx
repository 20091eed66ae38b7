import Button from '@mui/material/Button';
import { useState } from 'react';
import { useChange, useFiles } from '../api/hooks';
import { keepFile } from '../api/sendFile';
import { Told } from './Told';
import { ink } from './theme';
import { moment } from './words';

type Kind = Parameters<typeof useFiles>[0];

/** Sends a photo or a document; sent again after a lost answer it is kept once, since the server knows it by its digest. */
export function useKeepFile(of: Kind, id: string, then?: () => void) {
  return useChange(({ file, place }: { file: File; place: string }) => keepFile(of, id, file, place), then);
}

/** A button that takes a photo, or lets one choose a file: a picture or a document where nothing else is said. */
export function TakeFile({
  words,
  camera = false,
  any = false,
  take,
  busy,
}: {
  words: string;
  camera?: boolean;
  /** Whether it may be a file of any kind. */
  any?: boolean;
  take: (file: File) => void;
  busy: boolean;
}) {
  return (
    <Button
      component="label"
      // The field within it is what one reaches and presses; the label only looks like a button.
      role={undefined}
      tabIndex={-1}
      variant="outlined"
      disabled={busy}
      sx={{ minHeight: 48, '&:focus-within': { outline: `2px solid ${ink.press}`, outlineOffset: 2 } }}
    >
      {words}
      <input
        type="file"
        aria-label={words}
        {...(any ? {} : { accept: camera ? 'image/jpeg,image/png' : 'image/jpeg,image/png,application/pdf' })}
        {...(camera ? { capture: 'environment' as const } : {})}
        style={{ position: 'absolute', width: 1, height: 1, opacity: 0 }}
        onChange={(event) => {
          const file = event.target.files?.[0];
          if (file) {
            take(file);
          }
          event.target.value = '';
        }}
      />
    </Button>
  );
}

/** Two buttons, for a photo and for a file of what a thing has beside it. */
export function TakeEither({ take, busy }: { take: (file: File) => void; busy: boolean }) {
  return (
    <div className="fn-noprint" style={{ display: 'flex', gap: 8, flexWrap: 'wrap' }}>
      <TakeFile camera words="Take a photo" busy={busy} take={take} />
      <TakeFile words="Add a file" busy={busy} take={take} />
    </div>
  );
}

/** Photos and documents of a thing, and a way to add one. */
export function Files({
  of,
  id,
  adds,
  zone,
  placeOf = (place) => place,
}: {
  of: Kind;
  id: string;
  adds: boolean;
  zone?: string | undefined;
  /** Words for the place of a reading, such as asFound/0. */
  placeOf?: (place: string) => string;
}) {
  const files = useFiles(of, id);
  const keep = useKeepFile(of, id);
  const [shown, setShown] = useState<string | null>(null);
  if (!files.data) {
    return files.isError ? <Told problem={files.error} /> : null;
  }
  const all = files.data.files;
  return (
    <section aria-label="Photos and documents">
      {all.length > 0 && (
        <ul
          style={{
            listStyle: 'none',
            padding: 0,
            margin: '6px 0',
            display: 'flex',
            flexWrap: 'wrap',
            gap: 14,
          }}
        >
          {all.map((file) => (
            <li key={file.id} style={{ width: shown === file.id ? '100%' : 220 }}>
              {file.type === 'application/pdf' || file.printed !== null ? (
                <a href={`/api/files/${file.id}`}>{file.name}</a>
              ) : (
                <button
                  type="button"
                  aria-expanded={shown === file.id}
                  aria-label={`${shown === file.id ? 'Smaller' : 'Larger'}: ${file.name}`}
                  onClick={() => setShown(shown === file.id ? null : file.id)}
                  style={{ border: 0, padding: 0, background: 'none', cursor: 'zoom-in' }}
                >
                  <img
                    src={`/api/files/${file.id}`}
                    alt={file.note || file.name}
                    loading="lazy"
                    style={{
                      maxWidth: '100%',
                      maxHeight: shown === file.id ? '80vh' : 150,
                      display: 'block',
                      border: `1px solid ${ink.rule}`,
                    }}
                  />
                </button>
              )}
              <div style={{ fontSize: '0.84rem', color: ink.soft, overflowWrap: 'anywhere' }}>
                {file.id}, {file.by}, {moment(file.at, zone)}
                {file.place && `; of ${placeOf(file.place)}`}
                {file.note && <> &ldquo;{file.note}&rdquo;</>}
                <br />
                {file.printed !== null
                  ? `${file.printed}, byte for byte`
                  : file.type === 'application/pdf'
                    ? 'as it came: what it tells of its maker is still in it'
                    : file.removed.length > 0
                      ? `without ${file.removed.join(', ')}`
                      : 'told nothing of place or device'}
              </div>
            </li>
          ))}
        </ul>
      )}
      {all.length === 0 && !adds && <p style={{ color: ink.soft, margin: 0 }}>None.</p>}
      {adds && all.length < files.data.most && (
        <TakeEither busy={keep.isPending} take={(file) => keep.mutate({ file, place: '' })} />
      )}
      <Told problem={keep.error} />
    </section>
  );
}
