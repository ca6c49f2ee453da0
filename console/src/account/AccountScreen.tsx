import Button from '@mui/material/Button';
import Stack from '@mui/material/Stack';
import ToggleButton from '@mui/material/ToggleButton';
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup';
import Typography from '@mui/material/Typography';
import { useColorScheme } from '@mui/material/styles';
import { useMutation } from '@tanstack/react-query';
import { spoken } from '@orbis/contract/language';
import { Link } from 'react-router';
import { api } from '../api.ts';
import { Card } from '../components/Card.tsx';
import { ProblemNote } from '../components/ProblemNote.tsx';
import { ScreenHead } from '../components/ScreenHead.tsx';
import { ChangePassword } from './ChangePassword.tsx';
import { Rules } from './Rules.tsx';
import { Sessions } from './Sessions.tsx';
import { Tokens } from './Tokens.tsx';
import { WholeRegister } from './WholeRegister.tsx';
import { useSession } from '../session.ts';
import { IfMay } from '../components/IfMay.tsx';

/** Who is signed in and where, the tokens of programs, the password, and the look. */
export default function AccountScreen() {
  const session = useSession();
  const { mode, setMode } = useColorScheme();
  const signOut = useMutation({
    mutationFn: async () => api.call('session.delete'),
    onSuccess: () => location.replace('/sign-in'),
  });
  return (
    <>
      <ScreenHead
        title="Account"
        lead={
          session.data?.person
            ? `Signed in as ${session.data.person.name}, ${spoken.people.grants(session.data.person)}.`
            : undefined
        }
      >
        <Button variant="outlined" onClick={() => signOut.mutate()}>
          Sign out
        </Button>
      </ScreenHead>
      <ProblemNote error={session.error ?? signOut.error} />
      <Stack spacing={3}>
        {session.data?.frames === 'shared-host' && (
          <Card title="Previews share one host">
            <Typography>
              Previews run without an origin of their own, so embeds that keep data in the visitor’s browser
              may not work in them. Give ORBIS_FRAMES_URL a host with a wildcard to mend that.
            </Typography>
          </Card>
        )}
        <Card title="Look">
          <ToggleButtonGroup
            exclusive
            size="small"
            value={mode ?? 'system'}
            onChange={(_, value: 'light' | 'dark' | 'system' | null) => value && setMode(value)}
            aria-label="Look"
          >
            <ToggleButton value="system">As the device</ToggleButton>
            <ToggleButton value="light">Light</ToggleButton>
            <ToggleButton value="dark">Dark</ToggleButton>
          </ToggleButtonGroup>
        </Card>
        <Card title="Security">
          <Typography>
            With a passkey or codes of an app, whoever finds out your password still does not get in.{' '}
            <Link to="/security">See what you have, or set it up</Link>.
          </Typography>
        </Card>
        <IfMay call="people.list">
          <Card title="People">
            <Typography>
              Several people can work with this Orbis, each with as much right as they need.{' '}
              <Link to="/people">See who does, or invite somebody</Link>. Who did what stands in the{' '}
              <Link to="/audit">audit log</Link>.
            </Typography>
          </Card>
        </IfMay>
        <IfMay call="copies.list">
          <Card title="Safety copies">
            <Typography>
              A safety copy has everything that is kept here, in one file.{' '}
              <Link to="/copies">See those that there are</Link>. Whether all that Orbis needs is well, its{' '}
              <Link to="/health">health</Link> says.
            </Typography>
          </Card>
        </IfMay>
        <Card title="Rules for all embeds">
          <Rules />
        </Card>
        <Card title="Providers">
          <Typography>
            What Orbis knows of providers stands in their sheets.{' '}
            <Link to="/providers">Look at them, or bring your own</Link>.
          </Typography>
        </Card>
        <Card title="What was done">
          <Typography>
            Everything that was done stands in one list.{' '}
            <Link to="/done">Look at it, or take something back</Link>.
          </Typography>
        </Card>
        <IfMay call="register.read">
          <Card title="Everything that is kept">
            <WholeRegister />
          </Card>
        </IfMay>
        <Card title="Where you are signed in">
          <Sessions />
        </Card>
        <Card title="Tokens for programs">
          <Tokens />
        </Card>
        <Card title="Password">
          <ChangePassword />
        </Card>
      </Stack>
    </>
  );
}
