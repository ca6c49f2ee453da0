import { useState, type ClipboardEvent, type ChangeEvent } from 'react';

/**
 * The text of a field as it was pasted: a text field turns line ends into LF and drops what it cannot show,
 * so the clipboard's own text is taken when a paste fills the whole field.
 */
export function usePasted() {
  const [text, setText] = useState('');
  return {
    text,
    setText,
    field: {
      value: text,
      onChange: (event: ChangeEvent<HTMLInputElement | HTMLTextAreaElement>) => setText(event.target.value),
      onPaste: (event: ClipboardEvent<HTMLElement>) => {
        const target = event.target as HTMLTextAreaElement;
        const whole = target.selectionStart === 0 && target.selectionEnd === target.value.length;
        if (!whole) return;
        event.preventDefault();
        setText(event.clipboardData.getData('text/plain'));
      },
    },
  };
}
