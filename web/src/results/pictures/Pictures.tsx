import type { Schemas } from '../../api/client';
import { LogPicture } from './LogPicture';
import { SpectrumPicture } from './SpectrumPicture';
import { TimePicture } from './TimePicture';

/** What can be drawn of a run; each picture knows which families have it. */
export function Pictures({ page }: { page: Schemas['ResultPage'] }) {
  return (
    <>
      <TimePicture page={page} />
      <LogPicture page={page} />
      <SpectrumPicture page={page} />
    </>
  );
}
