import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useMutation } from '@tanstack/react-query';
import type { PersonDetails } from '@orbis/contract';
import { capital, spoken } from '@orbis/contract/language';
import { api } from '../api.ts';
import { ProblemNote } from '../components/ProblemNote.tsx';
import { formatWhen } from '../components/when.ts';
import type { LinkMade } from './LinkShownOnce.tsx';
import { RemovePerson } from './RemovePerson.tsx';
import { TakeFactors } from './TakeFactors.tsx';

interface Props {
  person: PersonDetails;
  onEdit: () => void;
  onLink: (made: LinkMade) => void;
}

/** Somebody, with what they may do, and what can be done about it. */
export function PersonRow({ person, onEdit, onLink }: Props) {
  const { id, name, state } = person;
  const link = useMutation({
    mutationFn: async () => (await api.call('people.invite', { params: { person: id }, body: {} })).data,
    onSuccess: (made) => onLink({ name, ...made }),
  });
  return (
    <Box
      component="li"
      aria-label={name}
      sx={{
        'display': 'flex',
        'flexWrap': 'wrap',
        'columnGap': 2,
        'rowGap': 0.5,
        'alignItems': 'center',
        'py': 1.25,
        'borderTop': 1,
        'borderColor': 'divider',
        '&:first-of-type': { borderTop: 0, pt: 0 },
        '&:last-of-type': { pb: 0 },
      }}
    >
      <Box sx={{ flex: '1 1 260px', minWidth: 0 }}>
        <Typography sx={{ fontWeight: 600, overflowWrap: 'anywhere' }}>{name}</Typography>
        <Typography variant="body2" color="textSecondary" sx={{ overflowWrap: 'anywhere' }}>
          {capital(spoken.people.grants(person))}
        </Typography>
      </Box>
      <Typography variant="body2" color="textSecondary" sx={{ flex: '0 1 190px' }}>
        {stateInWords(person)}
      </Typography>
      <Box
        sx={{
          display: 'flex',
          gap: 0.5,
          flexWrap: 'wrap',
          justifyContent: { sm: 'flex-end' },
          width: { sm: 270 },
        }}
      >
        {state !== 'removed' && (
          <Button size="small" onClick={onEdit} aria-label={`Change ${name}`}>
            Change
          </Button>
        )}
        <Button
          size="small"
          loading={link.isPending}
          onClick={() => link.mutate()}
          aria-label={`${linkWords[state]}: ${name}`}
        >
          {linkWords[state]}
        </Button>
        {person.secondFactor && <TakeFactors person={person} />}
        {state !== 'removed' && <RemovePerson person={person} />}
      </Box>
      <ProblemNote error={link.error} />
    </Box>
  );
}

const linkWords: Readonly<Record<PersonDetails['state'], string>> = {
  invited: 'New link',
  active: 'New password',
  removed: 'Let them come back',
};

function stateInWords({ state, invitedUntil, seenAt, removedAt, secondFactor }: PersonDetails): string {
  if (state === 'removed') return `removed ${formatWhen(removedAt)}`;
  if (state === 'active')
    return `${seenAt === null ? 'not here yet' : `last here ${formatWhen(seenAt)}`}${secondFactor ? ' · second factor' : ''}`;
  return invitedUntil === null ? 'invited; the link is over' : `invited until ${formatWhen(invitedUntil)}`;
}
