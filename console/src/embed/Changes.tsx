import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { scriptsInShort } from '@orbis/core';
import type { Composition } from '@orbis/contract';
import { CodeRuns } from '../components/CodeRuns.tsx';
import { mono } from '../theme.ts';

/** The code with what Orbis put in marked, and every edit with its reason. */
export function Changes({ composition }: { composition: Composition }) {
  return (
    <>
      {composition.snippets.map((snippet) => (
        <CodeRuns key={snippet.position} runs={snippet.runs} label="The code with its changes marked" />
      ))}
      {composition.edits.length === 0 ? (
        <Typography color="textSecondary" sx={{ mt: 2 }}>
          Nothing is changed: the code goes out exactly as it was pasted.
        </Typography>
      ) : (
        <Box component="ol" sx={{ 'pl': 2.5, 'mb': 0, 'mt': 2, '& li + li': { mt: 1.5 } }}>
          {composition.edits.map((edit) => (
            <li key={`${edit.start} ${edit.stage}`}>
              <Box component="code" sx={{ fontFamily: mono, fontSize: 13.5, overflowWrap: 'anywhere' }}>
                {scriptsInShort(edit.text).trim() || 'taken out'}
              </Box>
              <Typography variant="body2" color="textSecondary">
                {edit.reason}
              </Typography>
            </li>
          ))}
        </Box>
      )}
    </>
  );
}
