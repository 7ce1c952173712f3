import { QueryTypes } from 'sequelize';
import { describe, expect, it } from 'vitest';
import { freshDatabase } from '../test/server.ts';
import { CalmClient, connect } from './connect.ts';

describe('a connection', () => {
  it('whose server is gone before anybody listens does not end the program', () => {
    const client = new CalmClient({});
    expect(() => client.emit('error', new Error('terminating connection due to unexpected postmaster exit'))).not.toThrow();
  });

  it('of the pool is such a one', async () => {
    const sequelize = connect((await freshDatabase()).url);
    const client: unknown = await sequelize.connectionManager.getConnection({ type: 'read' });
    expect(client).toBeInstanceOf(CalmClient);
    sequelize.connectionManager.releaseConnection(client as never);
    expect(await sequelize.query('SELECT 1 AS one', { type: QueryTypes.SELECT })).toEqual([{ one: 1 }]);
    await sequelize.close();
  });
});
