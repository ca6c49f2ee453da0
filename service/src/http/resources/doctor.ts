import { examine, type ExaminationTools } from '../../doctor/examine.ts';
import type { Handlers, Named } from '../reply.ts';

/** Whether the installation is well. */
export const doctorHandlers = (tools: ExaminationTools): Handlers<Named<'doctor'>> => ({
  'doctor.read': async ({ visitor }) => ({ data: await examine(tools, visitor.address) }),
});
