import type { DataSource } from 'typeorm';

/** Row security does not bind a superuser, a role that bypasses it, or a table's owner: serving as one is refused. */
export async function refusePower(source: DataSource): Promise<void> {
  const [role] = (await source.query(
    `select rolname as name, rolsuper as super, rolbypassrls as bypass,
       exists (select 1 from pg_class c join pg_namespace n on n.oid = c.relnamespace where n.nspname = 'public' and c.relowner = r.oid) as owner
     from pg_roles r where rolname = current_user`,
  )) as { name: string; super: boolean; bypass: boolean; owner: boolean }[];
  const reason = role?.super ? 'is a superuser' : role?.bypass ? 'bypasses row security' : role?.owner ? 'owns tables' : null;
  if (reason) throw new Error(`The role ${role?.name} of DATABASE_URL ${reason}. Serve as tufa_app and put the owner in MIGRATION_DATABASE_URL.`);
}
