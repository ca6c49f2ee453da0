import { useEffect, useState } from 'react';

/** A value as it was when it last stood still for so many milliseconds. */
export function useDebounced<T>(value: T, quiet: number): T {
  const [settled, setSettled] = useState(value);
  useEffect(() => {
    const timer = setTimeout(() => setSettled(value), quiet);
    return () => clearTimeout(timer);
  }, [value, quiet]);
  return settled;
}
