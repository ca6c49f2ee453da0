import type { Change } from './change.ts';
import { devices, type Device } from './condition.ts';
import type { Option } from './option.ts';
import type { Options, OptionValue } from './values.ts';

/**
 * An option together with what it is on phones and on tablets, where it may differ there: `max-width`,
 * `max-width.phone`.
 */
export const withDevices = (option: Option): readonly Option[] =>
  option.perDevice ? [option, ...devices.map((device) => onDevice(option, device))] : [option];

/** The option and the device that a name means: `max-width.phone`; null where it means no device. */
export function deviceOf(name: string): { option: string; device: Device } | null {
  const device = devices.find((each) => name.endsWith(`.${each}`));
  return device ? { option: name.slice(0, -device.length - 1), device } : null;
}

/* The same declarations, for screens of this kind only. */
const onDevice = <V extends OptionValue>(option: Option<V>, device: Device): Option<V> => ({
  ...option,
  name: `${option.name}.${device}`,
  current: () => null,
  contribute: (code, value, context) => {
    const there = { ...context, options: othersOn(device, option.name, context.options) };
    const { changes, problems } =
      option.contributeOnDevice?.(code, value, there) ?? option.contribute(code, value, there);
    return {
      // What holds under another condition is asked for by the option without a device.
      changes: changes
        .filter((change) => change.kind !== 'declaration' || change.when === undefined)
        .map((change): Change => (change.kind === 'declaration' ? { ...change, when: device } : change)),
      problems,
    };
  },
});

/* What holds on a device of all the others. */
const othersOn = (device: Device, option: string, options: Options): Options => ({
  ...options,
  ...Object.fromEntries(
    Object.entries(options).flatMap(([name, value]) => {
      const meant = deviceOf(name);
      return meant?.device === device && meant.option !== option ? [[meant.option, value]] : [];
    }),
  ),
});
