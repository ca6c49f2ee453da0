import type { Deps } from '../../deps.ts';
import { planTools } from '../../usecases/planning.ts';
import { readToday } from '../../usecases/today.ts';
import type { Handlers, Named } from '../reply.ts';

/** What wants doing. */
export function todayHandlers(deps: Deps): Handlers<Named<'today'>> {
  const tools = planTools(deps);
  return { 'today.read': async () => ({ data: await readToday(tools, deps.copyPlan) }) };
}
