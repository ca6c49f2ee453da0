import type { Client } from '@orbis/contract';

/** An answer of the register, and the best hand-written SQL for the same rows. */
export interface Answer {
  label: string;
  ask: (client: Client) => Promise<unknown>;
  query: string;
}

/* What a list shows of each placement: ids first, by the index in whose order they are. */
const shown = (ids: string): string => `
  select p.*, e.\`key\`, e.name, e.revision, s.\`key\`, s.address, g.path, o.name, d.number, d.created_at, r.number
  from (${ids}) as those
  join placement p on p.id = those.id
  join embed e on e.id = p.embed_id
  join spot o on o.id = p.spot_id
  join page g on g.id = p.page_id
  join site s on s.id = p.site_id
  left join delivery d on d.placement_id = p.id and d.number = p.issued
  left join revision r on r.id = d.revision_id
  order by p.id desc`;

const placements = (where: string): string =>
  shown(`select id from placement where active = 1 and ${where} order by id desc limit 51`);

const list = (label: string, query: object, where: string): Answer => ({
  label,
  ask: (client) => client.call('placements.list', { query: { limit: 50, ...query } }),
  query: placements(where),
});

/** In the middle of a list: behind this placement. */
const middle = 500_000;
const behind = (where: string): string => `${where} and id < ${middle}`;
const after = String(middle);

/** What is asked of a register, first pages and the middle of lists alike. */
export const answers: readonly Answer[] = [
  list('the register', {}, 'true'),
  list('  its middle', { after }, behind('true')),
  list('what is out of date', { state: 'out-of-date' }, "state = 'out-of-date'"),
  list('  its middle', { state: 'out-of-date', after }, behind("state = 'out-of-date'")),
  list('where an embed is', { embed: 'e1' }, 'embed_id = 1'),
  list('  its middle', { embed: 'e1', after: '100000' }, 'embed_id = 1 and id < 100000'),
  list('what is on a page', { page: 's9/p9' }, 'page_id = 9'),
  list('what is on a site', { site: 's1' }, 'site_id = 1'),
  list('  what is missing there', { site: 's1', state: 'missing' }, "site_id = 1 and state = 'missing'"),
  list(
    'what loads from a host',
    { host: 'play.kinorill.localhost' },
    "(select 1 from embed_host h where h.embed_id = placement.embed_id and h.host = 'play.kinorill.localhost') = 1",
  ),
  list('  from a rare one', { host: 'rare.localhost' }, 'embed_id in (3, 500)'),
  {
    label: 'the embeds',
    ask: (client) => client.call('embeds.list', { query: { limit: 50 } }),
    query:
      'select e.*, (select group_concat(tag) from embed_tag t where t.embed_id = e.id) from (select id from embed order by id desc limit 51) as those join embed e on e.id = those.id order by e.id desc',
  },
  {
    label: 'one embed',
    ask: (client) => client.call('embeds.read', { params: { embed: 'e8' } }),
    query:
      'select e.*, r.*, s.base, s.pasted from embed e join revision r on r.embed_id = e.id and r.number = e.revision join source s on s.id = r.source_id where e.id = 8',
  },
  {
    label: 'the pages of a site',
    ask: (client) => client.call('pages.list', { query: { site: 's1', limit: 50 } }),
    query:
      'select g.*, o.* from (select id from page where site_id = 1 and gone_at is null order by id desc limit 51) as those join page g on g.id = those.id left join spot o on o.page_id = g.id',
  },
  {
    label: 'the pages of a sweep',
    ask: (client) => client.call('sweeps.pages', { params: { sweep: 'jjjjjjjjj1' }, query: { limit: 50 } }),
    query:
      'select w.*, g.path, i.*, p.public_id, e.`key` from (select id from sweep_page where job_id = 1 order by id limit 51) as those join sweep_page w on w.id = those.id join page g on g.id = w.page_id left join sighting i on i.sweep_page_id = w.id left join placement p on p.id = i.placement_id left join embed e on e.id = p.embed_id',
  },
  {
    label: 'what was done',
    ask: (client) => client.call('changes.list', { query: { limit: 50 } }),
    query: 'select * from change_log order by id desc limit 51',
  },
  {
    label: 'a change list',
    ask: (client) =>
      client.call('changeListPages.list', { params: { list: 'jjjjjjjjj1' }, query: { limit: 50 } }),
    query:
      'select l.*, g.path, p.id, p.state, p.wanted, e.name from (select id from change_list_page where list_id = 1 order by id limit 51) as those join change_list_page l on l.id = those.id join page g on g.id = l.page_id left join placement p on p.page_id = g.id and p.active = 1 left join embed e on e.id = p.embed_id',
  },
  {
    label: 'where a change would show',
    ask: (client) => client.call('reach.read', { query: { site: 's1' } }),
    query:
      'select count(*), count(distinct page_id) from (select page_id from placement where site_id = 1 and active = 1 limit 10001) as those',
  },
  {
    label: 'what needs doing today',
    ask: (client) => client.call('today.read', {}),
    query: ['missing', 'altered', 'out-of-date', 'unreachable', 'planned']
      .map(
        (state) =>
          `(select count(*) from (select 1 from placement where active = 1 and state = '${state}' limit 201) as those)`,
      )
      .join(' union all '),
  },
];
