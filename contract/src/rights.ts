/** What people may do, from the least to the most. */
export const rights = ['see', 'paste', 'check', 'collect', 'change', 'place', 'manage'] as const;

/**
 * - `see`: look at the collection, the register and what was found;
 * - `paste`: take the steps of a page: have codes handed out, and tick them off;
 * - `check`: have published pages read and looked at;
 * - `collect`: put codes into the collection;
 * - `change`: change embeds, presets, provider sheets and rules;
 * - `place`: change sites, pages and spots, place embeds there, and decide about what was found;
 * - `manage`: decide who may do what, where news goes, and what is gone for good.
 */
export type Right = (typeof rights)[number];

/** What somebody is to Orbis, from the least to the most. */
export const personRoles = ['reader', 'placer', 'editor', 'owner'] as const;
export type PersonRole = (typeof personRoles)[number];

const rightsOf: Readonly<Record<PersonRole, readonly Right[]>> = {
  reader: ['see'],
  placer: ['see', 'paste', 'check'],
  editor: ['see', 'paste', 'check', 'collect', 'change', 'place'],
  owner: rights,
};

/** Whether a role brings a right; none brings nothing. */
export const hasRight = (role: PersonRole | null | undefined, right: Right): boolean =>
  role !== null && role !== undefined && rightsOf[role].includes(right);

/** The roles that bring a right, from the least to the most. */
export const rolesWith = (right: Right): PersonRole[] => personRoles.filter((role) => hasRight(role, right));

/** The role of somebody on some sites; an owner is one of everything. */
export type SiteRole = Exclude<PersonRole, 'owner'>;
export const siteRoles = ['reader', 'placer', 'editor'] as const satisfies SiteRole[];

/** What somebody is, for everything and on single sites; `S` is by what a site is known. */
export interface Rights<S> {
  /** For everything; null for somebody who has only what is said of single sites. */
  role: PersonRole | null;
  sites: { site: S; role: SiteRole }[];
}

/** Whether somebody has a right for everything there is. */
export const mayEverywhere = ({ role }: Pick<Rights<unknown>, 'role'>, right: Right): boolean =>
  hasRight(role, right);

/** The sites on which somebody has a right by what is said of them; beside what they have for everything. */
export const sitesWith = <S>({ sites }: Rights<S>, right: Right): S[] =>
  sites.filter(({ role }) => hasRight(role, right)).map(({ site }) => site);

/** Whether somebody has a right on a site. */
export const mayAt = <S>(of: Rights<S>, right: Right, site: S): boolean =>
  mayEverywhere(of, right) || sitesWith(of, right).includes(site);

/** Whether somebody has a right anywhere. */
export const mayAnywhere = <S>(of: Rights<S>, right: Right): boolean =>
  mayEverywhere(of, right) || sitesWith(of, right).length > 0;
