import type { Schemas } from '../api/client';

type Way = Schemas['FirstResult'];
type Step = Way['steps'][number];

/** The step that comes next: what one may pass over comes first only while nothing behind it is done. */
export function nextOf(steps: Step[]): Step | undefined {
  return steps.find(
    (step, at) => !step.done && !(step.optional && steps.slice(at + 1).some((later) => later.done)),
  );
}

interface Words {
  title: string;
  about: string;
  /** Where it is done; null where a check is begun. */
  to: string | null;
}

/** A step in words, and where it is done. */
export function wordsOf(step: Step['id'], { unit, run, kinds }: Way): Words {
  const of = encodeURIComponent(unit ?? '');
  const ofRun = encodeURIComponent(run ?? '');
  const words: Record<Step['id'], Words> = {
    people: {
      title: 'Let others in',
      about: 'Who else records, judges or reads. Or go on alone.',
      to: '/people?add=person',
    },
    campaign: {
      title: 'Begin a campaign',
      about: 'Where it is, and which limits its results stand against.',
      to: '/policies?add=campaign',
    },
    unit: {
      title: 'Register an instrument',
      about: 'One is enough to begin with; a whole kit comes out of a table.',
      to: '/kit?add=unit',
    },
    reference: {
      title: unit === null ? 'Register a reference' : `Register what ${unit} is checked against`,
      about: 'With its certificate: every number leans on it.',
      to: `/kit?add=reference${kinds[0] === undefined ? '' : `&kind=${encodeURIComponent(kinds[0])}`}`,
    },
    check: {
      title: `Check ${unit ?? 'it'} before use`,
      about: 'Step by step at the bench, or copied from paper.',
      to: null,
    },
    run: {
      title: 'Start a run',
      about: 'Who carries it, at which task.',
      to: `/runs/new?instrument=${of}`,
    },
    stop: { title: 'Stop the run', about: 'When it comes back.', to: `/runs/${ofRun}` },
    after: {
      title: `Check ${unit ?? 'it'} after use`,
      about: 'As found, before anybody adjusts it.',
      to: null,
    },
    shown: {
      title: 'Write down what it showed',
      about: 'Its log, its totals, or what the laboratory found.',
      to: `/runs/${ofRun}`,
    },
    sign: {
      title: 'Judge and sign the result',
      about: 'With a note under every number.',
      to: `/results/${ofRun}`,
    },
  };
  return words[step];
}
