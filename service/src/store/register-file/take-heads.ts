import { snippetForSite } from '@orbis/core';
import { digest } from '../../digest.ts';
import { insertMany } from '../insert-many.ts';
import { keepSnippets } from '../issued.ts';
import { headDelivery, headDeliverySnippet, siteNeed } from '../schema.ts';
import { needsByDigest } from '../site-heads.ts';
import { FoundRows, pagesBy, sitesBy } from './found-rows.ts';
import { date, dateOrNull, type Take } from './take.ts';

/** What pages need once. How many do is counted as they are planned. */
export const takeNeeds: Take<'need'> = async (tx, records) => {
  const sites = await sitesBy(
    tx,
    records.map((record) => record.site),
  );
  const pages = await pagesBy(
    tx,
    records.flatMap(({ standsOn }) => standsOn ?? []),
  );
  const snippets = await keepSnippets(
    tx,
    records.map(({ text }) => snippetForSite(text)),
  );
  await insertMany(
    tx,
    siteNeed,
    records.map((record, i) => {
      const { what, name, text, after, issued, stands, standsOn } = record;
      return {
        ...{ siteId: sites.of(record.site), digest: digest(text), snippetId: snippets[i]! },
        ...{ what, name, after, issued, stands, pages: 0 },
        standsOn: standsOn === null ? null : pages.of(standsOn).pageId,
        standsSince: dateOrNull(record.standsSince),
        unneededSince: dateOrNull(record.unneededSince),
      };
    }),
  );
};

/** What was handed out for the heads of whole sites. */
export const takeHeadDeliveries: Take<'headDelivery'> = async (tx, records, by) => {
  const sites = await sitesBy(
    tx,
    records.map((record) => record.site),
  );
  for (const { site: of, number, texts, at } of records) {
    const siteId = sites.of(of);
    const rows = await needsByDigest(tx, siteId, texts);
    const needs = new FoundRows(
      'text of that site',
      new Map(rows.map(({ need }) => [need.digest, need.snippetId])),
    );
    const [{ insertId: deliveryId }] = await tx.insert(headDelivery).values({
      ...{ siteId, number, digest: digest(JSON.stringify(texts)) },
      ...{ createdAt: date(at), createdBy: by },
    });
    await insertMany(
      tx,
      headDeliverySnippet,
      texts.map((text, i) => ({ deliveryId, at: i, snippetId: needs.of(text) })),
    );
  }
};
