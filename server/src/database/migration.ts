import type { QueryInterface, Transaction } from 'sequelize';

export interface Migration {
  name: string;
  up: (queries: QueryInterface, transaction: Transaction) => Promise<void>;
  down: (queries: QueryInterface, transaction: Transaction) => Promise<void>;
}
