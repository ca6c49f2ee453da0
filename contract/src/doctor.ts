import { time } from './common.ts';
import { doctorCodes, doctorStates, type DoctorCode } from './doctor-checks.ts';
import { z } from './zod.ts';

/** What was found of one thing that an installation needs. */
export const diagnosis = z
  .object({
    code: z.enum(Object.keys(doctorCodes) as [DoctorCode, ...DoctorCode[]]),
    state: z.enum(doctorStates).meta({
      description:
        'well; note: worth knowing; warning: it will not stay well; fault: something does not work',
    }),
    facts: z.record(z.string(), z.union([z.string(), z.number()])),
    said: z.string().meta({ description: 'What was found, as a sentence' }),
    todo: z.string().nullable().meta({ description: 'What to do about it; null where there is nothing' }),
  })
  .meta({ id: 'Diagnosis' });
export type Diagnosis = z.infer<typeof diagnosis>;

/** Whether an installation is well. */
export const examination = z
  .object({
    at: time,
    version: z.string(),
    checks: z.array(diagnosis),
  })
  .meta({ id: 'Examination' });
export type Examination = z.infer<typeof examination>;
