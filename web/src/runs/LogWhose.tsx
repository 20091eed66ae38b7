import { answer, api, type Schemas } from '../api/client';
import { useChange, useResult } from '../api/hooks';
import { Told } from '../look/Told';
import { Word } from './Word';

/** What speaks against the log being of this run, and a hygienist's word on it. Nothing where nothing does. */
export function LogWhose({ run, decides }: { run: Schemas['Run']; decides: boolean }) {
  const result = useResult(run.id);
  const learn = useChange((body: Schemas['NewFacts']) =>
    answer(
      api.POST('/api/runs/{id}/facts', {
        params: { path: { id: run.id } },
        body: { ...body, seen: run.learned.length },
      }),
    ),
  );
  const doubts = (result.data?.assessment.findings ?? []).filter((finding) => finding.rule === 'log.whose');
  if (doubts.length === 0) {
    return null;
  }
  return (
    <section>
      <h2>Whose log it is</h2>
      {doubts.map((doubt) => (
        <p
          key={doubt.seen}
          role="status"
          style={{ margin: '2px 0 10px', maxWidth: 880, overflowWrap: 'anywhere' }}
        >
          {doubt.seen}
        </p>
      ))}
      {decides && (
        <Word
          label="This log"
          choices={[
            ['own', 'is of this run'],
            ['other', 'is not of this run'],
          ]}
          action="Say whose it is"
          busy={learn.isPending}
          send={(chosen, reason) =>
            learn.mutate({
              logWord: { isOwn: chosen === 'own', reason },
              ...(run.logWord ? { reason } : {}),
            })
          }
        />
      )}
      <Told problem={learn.error} />
    </section>
  );
}
