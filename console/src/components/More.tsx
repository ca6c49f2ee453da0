import Button from '@mui/material/Button';

/** Brings the next page of a list, where there is one. */
export function More({
  list,
}: {
  list: { hasNextPage: boolean; isFetchingNextPage: boolean; fetchNextPage: () => unknown };
}) {
  if (!list.hasNextPage) return null;
  return (
    <Button onClick={() => void list.fetchNextPage()} disabled={list.isFetchingNextPage} sx={{ mt: 2 }}>
      Show more
    </Button>
  );
}
