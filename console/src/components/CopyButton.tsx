import Button, { type ButtonProps } from '@mui/material/Button';
import CopyIcon from '@mui/icons-material/ContentCopyOutlined';
import DoneIcon from '@mui/icons-material/Check';
import { useEffect, useState } from 'react';

/** Copies a text (or what a promise brings) and says that it did. */
export function CopyButton({
  text,
  label,
  onError,
  ...rest
}: { text: string | (() => Promise<string>); label: string; onError?: (error: unknown) => void } & Omit<
  ButtonProps,
  'onError'
>) {
  const [copied, setCopied] = useState(false);
  useEffect(() => {
    if (!copied) return;
    const timer = setTimeout(() => setCopied(false), 4000);
    return () => clearTimeout(timer);
  }, [copied]);
  const copy = async (): Promise<void> => {
    try {
      await navigator.clipboard.writeText(typeof text === 'string' ? text : await text());
      setCopied(true);
    } catch (error) {
      onError?.(error);
    }
  };
  return (
    <Button
      variant="outlined"
      size="small"
      startIcon={copied ? <DoneIcon /> : <CopyIcon />}
      {...rest}
      onClick={() => void copy()}
    >
      <span aria-live="polite">{copied ? 'Copied' : label}</span>
    </Button>
  );
}
