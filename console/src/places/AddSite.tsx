import { api } from '../api.ts';
import { AddForm } from '../components/AddForm.tsx';

export function AddSite() {
  return (
    <AddForm
      changes="sites"
      button="Add the site"
      fields={[
        { name: 'name', label: 'Name', placeholder: 'Hollin Fell Observatory' },
        { name: 'key', label: 'Short key', placeholder: 'hollinfell', width: 170 },
        { name: 'address', label: 'Address', placeholder: 'https://hollinfell.example' },
      ]}
      add={async ({ name = '', key = '', address = '' }) => {
        await api.call('sites.create', { body: { name, key, address } });
        return `${name} is one of your sites now.`;
      }}
    />
  );
}
