import mysql from 'mysql2/promise';
import { codeOf } from '../database/errors.ts';
import { urlsOf } from '../database/nodes.ts';

/* In milliseconds. */
const patience = 2000;

/**
 * The first of an address’s hosts whose database answers, for programs that take a single one; the last where
 * none does, which says why.
 */
export async function oneThatAnswers(url: string): Promise<string> {
  const urls = urlsOf(url);
  for (const each of urls.slice(0, -1)) if (await answers(each)) return each;
  return urls.at(-1)!;
}

async function answers(url: string): Promise<boolean> {
  try {
    const connection = await mysql.createConnection({ uri: url, connectTimeout: patience });
    // A node that has lost the others lets people in, and tells them nothing of its tables.
    await connection.query('SELECT 1 FROM `migration` LIMIT 0').finally(() => connection.destroy());
    return true;
  } catch (error) {
    // An empty one is there.
    return codeOf(error) === 'ER_NO_SUCH_TABLE';
  }
}
