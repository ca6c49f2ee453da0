import { sql } from 'drizzle-orm';
import type { Connection } from '../../src/database/connect.ts';

const now = "'2026-11-26 12:00:00.000'";
const code = `'<iframe src="https://play.kinorill.localhost/film/a1" title="t"></iframe>'`;
const digestOf = (what: string): string => `convert(sha2(${what}, 256) using ascii)`;

/** How much there is in a register. */
export interface RegisterSize {
  sites: number;
  pages: number;
  spots: number;
  embeds: number;
  placements: number;
  sweeps: number;
  changes: number;
}

/** That of the tests. */
export const usual: RegisterSize = {
  sites: 50,
  pages: 5000,
  spots: 10_000,
  embeds: 1000,
  placements: 50_000,
  sweeps: 3,
  changes: 50_000,
};

/** Each is one statement over a sequence of numbers (MariaDB, Sequence Storage Engine). */
export const fillStatements = (size: RegisterSize): string[] => [
  `insert into site (id, \`key\`, name, address, defaults, pages, created_at) select seq, concat('s', seq), concat('Site ', seq), concat('https://s', seq, '.localhost'), '{}', 100, ${now} from seq_1_to_${size.sites}`,
  `insert into page (id, site_id, path, title, created_at) select seq, 1 + (seq - 1) mod ${size.sites}, concat('p', seq), 'T', ${now} from seq_1_to_${size.pages}`,
  `insert into spot (id, page_id, name, phone, tablet, desktop, placements, created_at) select seq, 1 + (seq - 1) mod ${size.pages}, concat('spot', seq), 358, 704, 760, 5, ${now} from seq_1_to_${size.spots}`,
  `insert into shared_spot (id, site_id, name, under, phone, tablet, desktop, created_at) select seq, 1 + (seq - 1) mod ${size.sites}, concat('shared', seq), '', 358, 704, 760, ${now} from seq_1_to_${4 * size.sites}`,
  `insert into embed (id, \`key\`, name, notes, kind, provider, level, source, revision, placements, changed_at, created_at)
     select seq, concat('e', seq), concat('Embed ', seq), '', elt(1 + seq mod 4, 'video', 'map', 'form', 'feed'), 'kinorill', null, 1, 2, 50, ${now}, ${now} from seq_1_to_${size.embeds}`,
  `insert into embed_tag select id, elt(1 + id mod 3, 'talks', 'visit', 'shop') from embed`,
  `insert into embed_host select id, 'play.kinorill.localhost' from embed`,
  `update embed set provider = 'rare', kind = 'popup' where id in (3, 500)`,
  `insert into terms (embed_id, views_a_month, price_amount, price_currency, price_every, ends, changed_at, created_at)
     select id, if(id mod 20 = 0, 1000, null), 12, 'EUR', 'month', '2027-12-31', ${now}, ${now} from embed`,
  `insert into saved_search (id, name, \`where\`, created_at) select seq, concat('Search ', seq), 'state=live', ${now} from seq_1_to_${size.sites * 4}`,
  `insert into embed_views select id, date_format(utc_date(), '%Y-%m'), 500 from embed`,
  `insert into embed_tag values (3, 'rare'), (500, 'rare')`,
  `insert into embed_host values (3, 'rare.localhost'), (500, 'rare.localhost')`,
  `insert into source (id, embed_id, number, pasted, base, found, digest, created_at) select id, id, 1, ${code}, ${code}, null, ${digestOf('id')}, ${now} from embed`,
  `insert into revision (id, embed_id, number, source_id, left_out, options, sheet_id, reason, created_at)
     select seq, 1 + (seq - 1) mod ${size.embeds}, 1 + (seq - 1) div ${size.embeds}, 1 + (seq - 1) mod ${size.embeds}, '[]', '{}', 'kinorill', 'r', ${now} from seq_1_to_${2 * size.embeds}`,
  `insert into placement (id, public_id, spot_id, page_id, site_id, embed_id, seen, seen_delivery, carried, wanted, state, stale, issued, findings, options, created_at)
     select seq, lower(lpad(conv(seq, 10, 16), 10, '0')), spot.id, spot.page_id, page.site_id, 1 + (seq * 7 + (seq - 1) div ${size.spots}) mod ${size.embeds},
       if(seq mod 10 = 9, 'missing', 'live'), if(seq mod 10 = 9, null, 1), ${digestOf('1')}, ${digestOf('if(seq mod 10 = 8, 2, 1)')},
       elt(1 + greatest(seq mod 10, 7) - 7, 'live', 'out-of-date', 'missing'), 'no', 2, '[]', '{}', ${now}
     from seq_1_to_${size.placements} join spot on spot.id = 1 + (seq - 1) mod ${size.spots} join page on page.id = spot.page_id`,
  // A block that every page of its site shows, and was seen on all of them, and on others.
  `insert into page (id, site_id, path, title, stands, under, created_at) values (1000001, 9, '{foot}', 'Foot', 'after', '', ${now})`,
  `insert into spot (id, page_id, name, phone, tablet, desktop, placements, created_at) values (1000001, 1000001, 'main', 358, 704, 760, 1, ${now})`,
  `insert into placement (id, public_id, spot_id, page_id, site_id, embed_id, seen, state, stale, findings, options, created_at)
     values (1000001, 'bbbbbbbbbb', 1000001, 1000001, 9, 1, 'live', 'live', 'no', '[]', '{}', ${now})`,
  `insert into block_page select 1000001, seq, if(seq mod 10 = 0, 'missing', 'live') from seq_1_to_${size.pages}`,
  `insert into snippet (id, digest, text_digest, runs) select seq, ${digestOf("concat('r', seq)")}, ${digestOf('seq')}, concat('[{"from":"source","start":0,"end":1,"text":"', seq, '"}]') from seq_1_to_${size.embeds}`,
  `insert into delivery (id, placement_id, number, revision_id, options, digest, created_at)
     select seq, 1 + (seq - 1) mod ${size.placements}, 1 + (seq - 1) div ${size.placements}, 1 + (seq * 7) mod ${size.embeds}, '{}', ${digestOf('seq')}, ${now} from seq_1_to_${2 * size.placements}`,
  `insert into delivery_snippet select id, 0, 'spot', 1 + id mod ${size.embeds} from delivery`,
  `insert into snippet (id, digest, text_digest, runs) select 100000 + seq, ${digestOf("concat('once', seq)")}, ${digestOf("concat('text', seq)")}, concat('[{"from":"source","start":0,"end":1,"text":"text', seq, '"}]') from seq_1_to_60`,
  `insert into site_need (site_id, digest, snippet_id, what, name, after, pages, stands)
     select site.id, snippet.text_digest, snippet.id, 'code', concat('n', snippet.id), '[]', snippet.id, if(snippet.id mod 5 = 0, 'yes', 'unknown') from site join snippet on snippet.id > 100000`,
  `insert into page_need select page.id, snippet.text_digest, page.site_id from page join snippet on snippet.id between 100001 and 100003`,
  `insert into job (id, public_id, kind, state, pages, pages_read, counts, created_at, ended_at)
     select seq, lpad(seq, 10, 'j'), 'sweep', 'done', ${size.pages}, ${size.pages}, '{"live":${size.placements}}', ${now}, ${now} from seq_1_to_${size.sweeps}`,
  `insert into sweep_page (id, job_id, page_id, state, read_at) select seq, 1 + (seq - 1) div ${size.pages}, 1 + (seq - 1) mod ${size.pages}, 'read', ${now} from seq_1_to_${size.sweeps * size.pages}`,
  `insert into sighting (sweep_page_id, placement_id, state, delivery, line, findings)
     select sweep_page.id, placement.id, 'live', 1, 1, '[]' from placement join sweep_page on sweep_page.page_id = placement.page_id and sweep_page.job_id = 1`,
  `insert into change_list (id, public_id, name, search, pages, ticked, created_at)
     select seq, lpad(seq, 10, 'j'), concat('List ', seq), '', ${size.pages}, 2500, ${now} from seq_1_to_60`,
  `insert into change_list_page (list_id, page_id, ticked_at, work) select 1, id, if(id mod 2 = 0, ${now}, null), if(id mod 2 = 0, ${digestOf('1')}, null) from page`,
  `insert into plan_link (public_id, page_id, name, hash, expires_at, created_at)
     select lpad(conv(seq, 10, 32), 10, '0'), if(seq > 300, seq, (select id from page where path = 'p9')), 'The web desk', ${digestOf('seq')}, '2099-01-01', ${now} from seq_1_to_${size.pages}`,
  `insert into finding (id, public_id, same, rule, \`rank\`, list, site_id, page_id, placement_id, times, facts, details, first_seen_at, last_seen_at)
     select 100000 + seq, lower(lpad(conv(seq, 10, 16), 10, '0')), ${digestOf("concat('found', seq)")}, if(seq = 5, 'doubled', elt(1 + seq mod 3, 'missing', 'altered', 'claims-collide')),
       seq mod 3, elt(1 + seq mod 5, 'open', 'open', 'later', 'muted', 'solved'), 1 + seq mod ${size.sites}, 1 + seq mod ${size.pages}, 1 + seq mod ${size.placements}, 1,
       '{"what":"id","name":"a","times":2}', '[]', ${now}, ${now} from seq_1_to_${size.placements}`,
  `insert into finding_at select id, concat('page:', page_id) from finding where page_id is not null`,
  // What holds of whole sites may have been counted by now.
  `replace into finding_count select site_id, rule, count(*) from finding where list = 'open' group by site_id, rule`,
  `replace into finding_count select site_id, '', sum(open) from finding_count where site_id > 0 and rule <> '' group by site_id`,
  `replace into finding_count select 0, rule, sum(open) from finding_count where site_id > 0 group by rule`,
  // What holds of whole sites may have been told by now.
  `insert into news (id, kind, finding_id, site_id, \`rank\`, at, turn) select 1000000 + seq, 'found', 100000 + seq, 1 + seq mod ${size.sites}, seq mod 3, ${now}, 1000000 + seq from seq_1_to_${size.placements}`,
  `replace into news_turn values (1, 1000000 + ${size.placements})`,
  // Nothing goes out: they are paused.
  `insert into channel (id, name, kind, \`to\`, \`rank\`, paused_at, created_at) select seq, concat('c', seq), 'webhook', 'https://hooks.example/', 0, ${now}, ${now} from seq_1_to_40`,
  `insert into message (id, public_id, channel_id, state, news, due_at, since, created_at, sent_at)
     select seq, lower(lpad(conv(seq, 10, 16), 10, '0')), 1 + seq mod 4, if(seq mod 1000 = 7, 'dead', if(seq mod 500 = 9, 'waiting', 'sent')), 1, ${now}, ${now}, ${now}, utc_timestamp(3) from seq_1_to_${size.placements}`,
  `insert into message_news select id, 1000000 + id from message`,
  // Most of what embeds load comes from one host, and of few something is wrong.
  `insert into swept_host (id, name) select seq, concat('host', seq, '.localhost') from seq_1_to_200`,
  `insert into asked_host (host_id, provider, resources, faulty, asked_at) select seq, 'kinorill', if(seq = 1, 40000, 50), seq mod 3, ${now} from seq_1_to_200`,
  `insert into host_day select host.seq, date_sub(utc_date(), interval day.seq day), 50, 49 from seq_1_to_200 host join seq_0_to_60 day`,
  `insert into resource (id, public_id, same, \`use\`, address, host_id, state, next_at)
     select seq, lower(lpad(conv(seq, 10, 16), 10, '0')), ${digestOf("concat('resource', seq)")}, 'frame', concat('https://host.localhost/', seq), if(seq <= 40000, 1, 1 + seq mod 200), if(seq mod 1000 = 3, 'faulty', 'well'), '2099-01-01' from seq_1_to_${size.placements}`,
  `insert into job (id, public_id, kind, state, created_at, ended_at) select 2000000 + seq, concat('nnnnnnnn', lpad(seq, 2, '0')), 'inspection', 'done', ${now}, ${now} from seq_1_to_40`,
  `insert into inspection (id, job_id, site_id, looks, read_at) select seq, 2000000 + seq, 9, 0, ${now} from seq_1_to_40`,
  `insert into inspection_loss (id, inspection_id, placement_id, rule, level, facts, details) select seq, 1 + seq mod 2, seq, 'missing', 'error', '{}', '[]' from seq_1_to_${size.placements}`,
  `insert into history (id, at, embed_id, page_id, site_id, placement_id, was, state) select seq, ${now}, embed_id, page_id, site_id, placement.id, 'planned', 'live' from seq_1_to_${2 * size.placements} join placement on placement.id = 1 + (seq - 1) mod ${size.placements}`,
  `insert into look (id, public_id, page_id, site_id, newest, foreign_bytes, taken_at, seen) select seq, lower(lpad(conv(seq, 10, 16), 10, '0')), 1 + seq mod ${size.pages}, 1 + (seq mod ${size.pages}) mod ${size.sites}, if(seq <= ${size.pages}, 1, null), 1000 * (seq mod 977), ${now}, '{"url":"http://s.localhost/","widths":[],"placed":[],"hosts":[],"complaints":[],"hasPopUp":false}' from seq_1_to_${size.placements}`,
  `insert into embed_resource select 1 + seq mod ${size.embeds}, seq, '[]' from seq_1_to_${size.placements}`,
  // The newest were all taken back.
  `insert into change_log (id, public_id, kind, facts, undone_at, created_by, created_at)
     select seq, lower(lpad(conv(seq, 10, 16), 10, '0')), 'renewed', concat('{"kind":"renewed","embed":"e', 1 + seq mod ${size.embeds}, '"}'), if(seq mod 2 = 1 or seq > 30000, ${now}, null), if(seq mod 100 = 0, (select min(id) from person), null), ${now} from seq_1_to_${size.changes}`,
  `insert into audit (id, number, hash, at, act, outcome, means, network, contents) select 1000 + seq, 1000 + seq, repeat('0', 64), ${now}, if(seq mod 1000 = 7, 'pages.create', 'deliveries.create'), if(seq mod 1000 = 9, 'refused', 'done'), 'browser', '203.0.113.0/24', repeat('0', 64) from seq_1_to_${size.changes}`,
  `insert into change_item (change_id, embed_id, \`from\`, \`to\`) select id, 1 + id mod ${size.embeds}, 1, 2 from change_log`,
];

/** What the database is to look at again when all of it is there. */
export const analyzeStatement =
  'analyze table placement, embed, page, block_page, spot, site_need, delivery, sweep_page, sighting, revision, change_log, change_item, audit, finding, finding_at, finding_count, news, message, message_news, channel, asked_host, host_day, resource, embed_resource, look, history, inspection, inspection_loss';

/** Fills an empty register with 50,000 placements. */
export async function fillRegister({ db }: Pick<Connection, 'db'>): Promise<void> {
  for (const statement of [...fillStatements(usual), analyzeStatement]) await db.execute(sql.raw(statement));
}
