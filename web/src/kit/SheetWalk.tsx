import type { Schemas } from '../api/client';
import { ink } from '../look/theme';

/** How a check is walked with a model sheet: the procedure in soft ink, what the sheet adds in full. */
export function SheetWalk({ walk }: { walk: Schemas['SheetWalk'] }) {
  return (
    <>
      {walk.unit === null && (
        <p style={{ color: ink.qualified }}>The kit has no instrument of the model {walk.model}.</p>
      )}
      {walk.misplaced.map((one) => (
        <p key={one} style={{ color: ink.qualified, fontWeight: 600, margin: '2px 0' }}>
          {one}
        </p>
      ))}
      <div style={{ display: 'flex', flexWrap: 'wrap', columnGap: 40 }}>
        {walk.procedures.map((procedure) => (
          <section key={procedure.id} style={{ flex: '1 1 300px' }} aria-label={procedure.title}>
            <h3 style={{ margin: '14px 0 4px' }}>{procedure.title}</h3>
            <ol style={{ margin: 0, paddingLeft: 26 }}>
              {procedure.steps.map((step) => (
                <li key={step.id} style={{ padding: '3px 0', color: step.isOwn ? ink.text : ink.soft }}>
                  <span style={step.isOwn ? { fontWeight: 600 } : {}}>{step.title}</span>
                  {step.seconds !== null && <span className="fn-figure"> {step.seconds} s</span>}
                  {step.isOwn && <div>{step.instruction}</div>}
                  {step.press.map((press) => (
                    <div key={press} style={{ color: ink.text }}>
                      Press: {press}
                    </div>
                  ))}
                  {step.writes.map((what) => (
                    <div key={what} style={{ color: ink.text }}>
                      Write down: {what}
                    </div>
                  ))}
                </li>
              ))}
            </ol>
          </section>
        ))}
      </div>
    </>
  );
}
