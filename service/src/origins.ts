/** Where a preview's document finds our script in it, on its own host. */
export const relayPath = '/orbis-relay.js';

/** Where a preview in a page finds our script by which one points at a place on that page. */
export const pointingPath = '/orbis-pointing.js';

/** Where visitors’ browsers tell what a document was kept from contacting. */
export const blockedPath = '/orbis-blocked';

/** The two sites that Orbis answers as: the console's, and that of foreign code. */
export interface Origins {
  /** Where the console is reached, without a path. */
  console: string;
  /** Whether each preview has a host of its own. */
  ownHosts: boolean;
  /** Whether a host (with its port) is one that frames are served on. */
  isFrames(host: string | undefined): boolean;
  /** As a source for a Content-Security-Policy. */
  framesSource: string;
  previewUrl(name: string): string;
  /** Where a placement's document is served, for site editors that take a link only. */
  placementUrl(id: string): string;
  /** The placement whose document an address asks for, or null. */
  placementName(hostname: string, path: string): string | null;
  /** Where a placement’s document is for good in one version, as long as it is the current one: a path. */
  versionPath(id: string, version: string): string;
  /** The placement and the version of its document that an address asks for, or null. */
  placementVersion(hostname: string, path: string): { id: string; version: string } | null;
  /** The name of the preview that an address asks for, or null. */
  previewName(hostname: string, path: string): string | null;
}

const previewShape = /^[0-9a-hjkmnp-tv-z]{20}$/;
const placementShape = /^[0-9a-hjkmnp-tv-z]{10}$/;
const versionShape = /^(.*)\/versions\/([\w-]{22})$/;

/** Works out the origins from the settings; where they say nothing, from the ports that are listened on. */
export function originsOf({
  publicUrl,
  framesUrl,
  port,
  framesPort,
}: {
  publicUrl: string | undefined;
  framesUrl: string | undefined;
  port: number;
  framesPort: number;
}): Origins {
  const frames = framesUrl ?? `http://*.frames.localhost:${framesPort}`;
  const ownHosts = frames.includes('://*.');
  const at = (name: string): string => (ownHosts ? `${frames.replace('*', name)}/` : `${frames}/${name}`);
  const asked = (hostname: string, path: string, shape: RegExp): string | null => {
    const name = ownHosts ? hostname.split('.')[0]! : path.slice(1);
    return shape.test(name) ? name : null;
  };
  const framesHost = new URL(frames.replace('*', 'x')).host;
  const below = framesHost.slice(1);
  const isFrames = (host = ''): boolean =>
    ownHosts ? host.endsWith(below) && /^[0-9a-z]+$/.test(host.slice(0, -below.length)) : host === framesHost;
  return {
    isFrames,
    console: publicUrl ?? `http://orbis.localhost:${port}`,
    ownHosts,
    framesSource: frames,
    previewUrl: at,
    previewName: (hostname, path) => asked(hostname, path, previewShape),
    placementUrl: at,
    placementName: (hostname, path) => asked(hostname, path, placementShape),
    versionPath: (id, version) => `${ownHosts ? '' : `/${id}`}/versions/${version}`,
    placementVersion: (hostname, path) => {
      const [, rest = '', version] = versionShape.exec(path) ?? [];
      const id = version === undefined ? null : asked(hostname, rest, placementShape);
      return id === null ? null : { id, version: version! };
    },
  };
}
