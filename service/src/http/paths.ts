/**
 * Whether a path is of a template's shape, in which `:name` stands for a step: `/embeds/:embed` has
 * `/embeds/opening-talk`.
 */
export function fitsPath(template: string, path: string): boolean {
  const [wanted, steps] = [template.split('/'), path.split('/')];
  return (
    wanted.length === steps.length &&
    wanted.every((step, i) => (step.startsWith(':') ? steps[i] !== '' : step === steps[i]))
  );
}
