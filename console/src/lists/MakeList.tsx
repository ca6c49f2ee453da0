import { api } from '../api.ts';
import { AddForm } from '../components/AddForm.tsx';
import { Disclosure } from '../components/Disclosure.tsx';
import { searchWords } from '../register/search-words.ts';

/** Puts the pages of what the register shows on a list. */
export function MakeList({ search }: { search: URLSearchParams }) {
  const where = searchWords(search);
  return (
    <Disclosure label="Make a change list of these pages">
      <AddForm
        changes="lists"
        button="Make the list"
        fields={[{ name: 'name', label: 'What is it about?', placeholder: 'The new colour' }]}
        add={async ({ name = '' }) => {
          const { data } = await api.call('changeLists.create', { body: { name, where } });
          return `“${data.name}” has ${data.pages} ${data.pages === 1 ? 'page' : 'pages'}: it stands under Today.`;
        }}
      />
    </Disclosure>
  );
}
