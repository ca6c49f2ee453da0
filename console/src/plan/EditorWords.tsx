import Typography from '@mui/material/Typography';
import type { PagePlan } from '@orbis/contract';
import { spoken } from '@orbis/contract/language';
import { Card } from '../components/Card.tsx';

/** How one works with the editor of a page’s site; nothing where nobody has said it. */
export function EditorWords({ editor }: Pick<PagePlan, 'editor'>) {
  const words = [editor.notes, spoken.editor.working(editor)].filter((each) => each !== '');
  if (words.length === 0) return null;
  return (
    <Card title="How its editor works">
      {words.map((each) => (
        <Typography key={each} sx={{ whiteSpace: 'pre-wrap', overflowWrap: 'anywhere' }}>
          {each}
        </Typography>
      ))}
    </Card>
  );
}
