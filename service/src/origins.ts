/** The two sites that Orbis answers as: the console's, and that of foreign code. */
export interface Origins {
  /** Where the console is reached, without a path. */
  console: string;
  /** Whether each preview has a host of its own. */
  ownHosts: boolean;
  /** As a source for a Content-Security-Policy. */
  framesSource: string;
  previewUrl(name: string): string;
  /** The name of the preview that an address asks for, or null. */
  previewName(hostname: string, path: string): string | null;
}

const name = /^[0-9a-hjkmnp-tv-z]{20}$/;

/** Works out the origins from the settings; where they say nothing, from the ports that are listened on. */
export function originsOf({ publicUrl, framesUrl, port, framesPort }: { publicUrl: string | undefined; framesUrl: string | undefined; port: number; framesPort: number }): Origins {
  const frames = framesUrl ?? `http://*.frames.localhost:${framesPort}`;
  const ownHosts = frames.includes('://*.');
  return {
    console: publicUrl ?? `http://localhost:${port}`,
    ownHosts,
    framesSource: frames,
    previewUrl: (preview) => (ownHosts ? `${frames.replace('*', preview)}/` : `${frames}/${preview}`),
    previewName: (hostname, path) => {
      const asked = ownHosts ? hostname.split('.')[0]! : path.slice(1);
      return name.test(asked) ? asked : null;
    },
  };
}
