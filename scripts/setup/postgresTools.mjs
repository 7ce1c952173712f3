/** A database as PostgreSQL's own programs take it: its address without the password, which goes by the environment that no other user sees. */
export function addressed(url) {
  const address = new URL(url);
  const password = decodeURIComponent(address.password);
  address.password = '';
  return { dbname: address.toString(), env: password === '' ? process.env : { ...process.env, PGPASSWORD: password } };
}
