import { once } from 'node:events';
import { createServer, type AddressInfo, type Server } from 'node:net';
import { expect } from 'chai';
import { sql } from 'drizzle-orm';
import { createServer as createMysqlServer } from 'mysql2';
import { connectDatabase, type Connection } from '../src/database/connect.ts';
import { isAway } from '../src/database/errors.ts';
import { nodesOf, urlsOf } from '../src/database/nodes.ts';
import { createPool } from '../src/database/pool.ts';
import { inTransaction } from '../src/database/transaction.ts';
import { migratedDatabase } from './support/database.ts';
import { gateTo, type Gate } from './support/tcp-gate.ts';

type MysqlServer = ReturnType<typeof createMysqlServer>;

/* With what a node lets in whoever comes. */
const greeting = {
  protocolVersion: 10,
  serverVersion: '5.5.5-10.11.0-MariaDB',
  connectionId: 1,
  statusFlags: 2,
  characterSet: 8,
  capabilityFlags: 0xffffff & ~0x800 & ~0x20,
};

describe('a database with several hosts', () => {
  describe('in its address', () => {
    for (const [url, expected] of [
      ['mysql://a/orbis', ['mysql://a/orbis']],
      ['mysql://u:p@a:1,b/orbis', ['mysql://u:p@a:1/orbis', 'mysql://u:p@b/orbis']],
      ['mysql://u:p,q@[::1]:1,[::2]/o', ['mysql://u:p,q@[::1]:1/o', 'mysql://u:p,q@[::2]/o']],
      ['mysql://u:p@localhost/o?socketPath=%2Fa@b,c', ['mysql://u:p@localhost/o?socketPath=%2Fa@b,c']],
    ] as const)
      it(`reads ${url}`, () => expect(urlsOf(url)).to.deep.equal(expected));

    it('goes over to each in turn, and only from the one that is used', () => {
      const told: string[] = [];
      const nodes = nodesOf('mysql://a,b:3307,c/orbis', (left, next) => told.push(`${left} → ${next}`));
      const went = [0, 0, 1, 1, 2, 0].map((from) => {
        nodes.leave(from);
        return nodes.current;
      });
      expect(went).to.deep.equal([1, 1, 2, 2, 0, 1]);
      expect(told).to.deep.equal([
        'a:3306 → b:3307',
        'b:3307 → c:3306',
        'c:3306 → a:3306',
        'a:3306 → b:3307',
      ]);
      expect([nodes.left.times, nodes.left.last!.host]).to.deep.equal([4, 'a:3306']);
    });

    it('has nowhere to go from a single one', () => {
      const nodes = nodesOf('mysql://a/orbis');
      nodes.leave(0);
      expect([nodes.count, nodes.current, nodes.open]).to.deep.equal([1, 0, null]);
    });
  });

  describe('of which one is lost', () => {
    let [one, other]: Gate[] = [];
    let connection: Connection;
    /* How often a transaction was begun. */
    let begun = 0;

    before(async () => {
      const url = await migratedDatabase();
      [one, other] = [await gateTo(url), await gateTo(url)];
      connection = await connectDatabase(both(one.url, other.url));
      await connection.db.execute(sql`CREATE TABLE written (id int NOT NULL PRIMARY KEY)`);
    });
    after(async () => {
      await connection.close();
      await one!.close();
      await other!.close();
    });
    beforeEach(() => {
      begun = 0;
      one!.open();
      other!.open();
    });

    const both = (first: string, second: string): string =>
      first.replace(new URL(first).host, `${new URL(first).host},${new URL(second).host}`);
    /* The gate that goes on being used as long as it is open. */
    const theUsed = async (): Promise<Gate> => {
      one!.shut();
      await connection.db.execute(sql`SELECT 1`);
      one!.open();
      return other!;
    };
    const written = async (): Promise<number[]> => {
      const [rows] = (await connection.db.execute(sql`SELECT id FROM written ORDER BY id`)) as unknown as [
        { id: number }[],
      ];
      return rows.map(({ id }) => id);
    };

    it('reads from the next one', async () => {
      one!.shut();
      await connection.during(null, () => connection.db.execute(sql`SELECT 1`));
      one!.open();
      other!.shut();
      await connection.during(null, () => connection.db.execute(sql`SELECT 1`));
    });

    it('does a transaction again on the next one, and its work once', async () => {
      const used = await theUsed();
      await connection.during(null, () =>
        inTransaction(connection.db, async (tx) => {
          begun++;
          await tx.execute(sql`INSERT INTO written VALUES (1)`);
          if (begun === 1) used.shut();
          await tx.execute(sql`INSERT INTO written VALUES (3)`);
        }),
      );
      expect([begun, await written()]).to.deep.equal([2, [1, 3]]);
    });

    it('does nothing again that was lost while it was made lasting: nobody knows whether it is there', async () => {
      const used = await theUsed();
      const failed = await inTransaction(connection.db, async (tx) => {
        begun++;
        await tx.execute(sql`INSERT INTO written VALUES (2)`);
        used.shut();
      }).then(
        () => null,
        (error: Error) => error,
      );
      expect([begun, isAway(failed)]).to.deep.equal([1, true]);
    });

    it('says that it is away once none answers', async () => {
      one!.shut();
      other!.shut();
      const from = Date.now();
      const failed = await connection
        .during(null, () => connection.db.execute(sql`SELECT 1`))
        .then(
          () => null,
          (error: Error) => error,
        );
      expect(failed).to.be.an('error');
      expect(Date.now() - from).to.be.below(5000);
    });
  });

  describe('of which the first is not ready', () => {
    let gate: Gate;
    let notReady: MysqlServer;
    before(async () => {
      gate = await gateTo(await migratedDatabase());
      notReady = createMysqlServer((connection) => {
        const countAnew = (from: number): void => void Object.assign(connection, { sequenceId: from });
        const authCallback = (_: unknown, letIn: (error: null) => void): void => {
          letIn(null);
          countAnew(0);
        };
        connection.serverHandshake({ ...greeting, authCallback });
        const refuse = (): void => {
          // Packets are counted from each question on.
          countAnew(1);
          connection.writeError({ message: 'not ready', code: 1047 });
          countAnew(0);
        };
        // What begins with SET or PREPARE is told apart by the driver’s own server.
        for (const event of ['query', 'stmt_prepare']) connection.on(event, refuse);
        connection.on('error', () => undefined);
      });
      notReady.listen(0);
      await once((notReady as unknown as { _server: Server })._server, 'listening');
    });
    after(async () => {
      await gate.close();
      await new Promise<void>((resolve) => notReady.close(() => resolve()));
    });

    it('writes by its second one: what was refused so is not done, for certain', async () => {
      const { port } = (notReady as unknown as { _server: Server })._server.address() as AddressInfo;
      const host = new URL(gate.url).host;
      const url = gate.url.replace(host, `127.0.0.1:${port},${host}`);
      const nodes = nodesOf(url);
      const pool = createPool({ uri: urlsOf(url)[0]!, stream: nodes.open! }, nodes);
      await pool.query('CREATE TABLE written (id int NOT NULL PRIMARY KEY)');
      expect([nodes.hosts[nodes.current], nodes.left.times]).to.deep.equal([host, 1]);
      await pool.query('INSERT INTO written VALUES (1)');
      await pool.end();
    });
  });

  describe('of which the first says nothing', () => {
    let silent: Server;
    let gate: Gate;

    before(async () => {
      silent = createServer(() => undefined).listen(0, '127.0.0.1');
      await new Promise((resolve) => silent.once('listening', resolve));
      gate = await gateTo(await migratedDatabase());
    });
    after(async () => {
      await gate.close();
      silent.close();
    });

    it('is used by its second one', async () => {
      const { port } = silent.address() as AddressInfo;
      const url = gate.url.replace(new URL(gate.url).host, `127.0.0.1:${port},${new URL(gate.url).host}`);
      const connection = await connectDatabase(url);
      await connection.ping();
      await connection.close();
    });
  });
});
