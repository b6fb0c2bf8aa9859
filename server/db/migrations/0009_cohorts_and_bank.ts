import type { Knex } from 'knex';

/**
 * People and stations that live on from examination to examination.
 *
 * A student belongs to a cohort and sits an examination as a candidate, whose withdrawal or absence
 * is a state with a time and a reason. A station is one of the bank, used here in one of its
 * versions; two stations are the same where bank version and checklist version are. Results are
 * for the candidates once they are released.
 */
export async function up(db: Knex): Promise<void> {
  await db.raw(PEOPLE);
  await db.raw(BANK);
  await db.raw(RELEASE);
}

const PEOPLE = `
  create table cohort (
    id uuid primary key,
    name text not null check (name <> ''),
    year integer not null check (year between 1900 and 2199),
    created_at timestamptz not null default now(),
    unique (name, year)
  );

  create table student (
    id uuid primary key,
    cohort_id uuid not null references cohort,
    number text not null unique check (number <> ''),
    name text not null check (name <> ''),
    -- Per cent of the time that a station gives beyond the usual, and whether breaks are seated.
    extra_time integer not null default 0 check (extra_time between 0 and 200),
    seated_breaks boolean not null default false,
    retired_at timestamptz
  );
  -- 2 before 10, as people read numbers.
  create collation as_read (provider = icu, locale = 'und-u-kn-true');
  create index student_cohort on student (cohort_id, number collate as_read);

  insert into cohort (id, name, year)
  select new_id(), cohort, year from (
    select distinct cohort, extract(year from held_on)::integer as year from examination) known;
  alter table examination add column cohort_id uuid references cohort;
  update examination e set cohort_id = c.id from cohort c
  where c.name = e.cohort and c.year = extract(year from e.held_on);
  alter table examination alter column cohort_id set not null, drop column cohort;
  create index examination_cohort on examination (cohort_id);

  -- Until now a candidate lived in one examination: one of the same number and name in another of
  -- the same cohort was the same person.
  alter table candidate add column student_id uuid;
  with known as (
    select k.id, e.cohort_id, k.number, k.name,
      first_value(k.id) over person as student_id,
      row_number() over person = 1 as first
    from candidate k join examination e on e.id = k.examination_id
    window person as (partition by e.cohort_id, k.number, k.name order by e.held_on, k.id)),
  numbered as (
    select student_id, cohort_id, name,
      number || case row_number() over (partition by number order by student_id)
        when 1 then '' else '-' || row_number() over (partition by number order by student_id) end as number
    from known where first),
  made as (
    insert into student (id, cohort_id, number, name)
    select student_id, cohort_id, number, name from numbered)
  update candidate k set student_id = known.student_id from known where known.id = k.id;
  alter table candidate
    alter column student_id set not null,
    add foreign key (student_id) references student,
    add unique (examination_id, student_id),
    drop column name,
    add column state text not null default 'expected'
      check (state in ('expected', 'absent', 'withdrawn')),
    add column state_since timestamptz,
    add column state_reason text check (length(state_reason) >= 3),
    add constraint candidate_state_has_reason check (
      (state = 'expected') = (state_since is null) and (state = 'expected') = (state_reason is null));
  create index candidate_student on candidate (student_id);

  -- How the columns of a list were named the last time, so that nobody maps them twice.
  create table column_mapping (
    account_id uuid not null references account,
    columns text not null,
    mapping jsonb not null,
    used_at timestamptz not null default now(),
    primary key (account_id, columns)
  );
`;

const BANK = `
  create table bank_station (
    id uuid primary key,
    created_by uuid references account,
    created_at timestamptz not null default now(),
    retired_at timestamptz
  );

  -- A checklist is of one procedure of the catalogue, or of one station of the bank.
  alter table checklist add column bank_station_id uuid unique references bank_station;

  create table bank_station_version (
    id uuid primary key,
    bank_station_id uuid not null references bank_station,
    version integer not null check (version > 0),
    title text not null check (title <> ''),
    task text not null,
    procedures text[] not null check (cardinality(procedures) > 0),
    -- The simulated patient: what is wrong, on which side, and how far where it is another degree.
    condition text,
    side text check (side in ('left', 'right')),
    degree smallint check (degree between 1 and 3),
    checklist_version_id uuid not null references checklist_version,
    minutes integer not null check (minutes between 1 and 60),
    equipment text[] not null default '{}',
    created_by uuid references account,
    created_at timestamptz not null default now(),
    unique (bank_station_id, version),
    check ((condition is null) = (side is null) and (condition is not null or degree is null))
  );
  create index bank_station_version_checklist on bank_station_version (checklist_version_id);
  create trigger bank_station_version_stays before update or delete on bank_station_version
    for each row execute function refuse_change();

  alter table station add column bank_version_id uuid references bank_station_version;
  with used as (
    select distinct on (s.title, s.minutes, s.checklist_version_id)
      new_id() as bank_id, new_id() as version_id, s.title, s.minutes, s.checklist_version_id,
      v.content ->> 'task' as task, c.procedure_id, e.created_by
    from station s
      join examination e on e.id = s.examination_id
      join checklist_version v on v.id = s.checklist_version_id
      join checklist c on c.id = v.checklist_id
    order by s.title, s.minutes, s.checklist_version_id),
  banked as (
    insert into bank_station (id, created_by) select bank_id, created_by from used returning id),
  versioned as (
    insert into bank_station_version
      (id, bank_station_id, version, title, task, procedures, checklist_version_id, minutes, created_by)
    select u.version_id, b.id, 1, u.title, u.task, array[u.procedure_id], u.checklist_version_id,
      u.minutes, u.created_by
    from used u join banked b on b.id = u.bank_id returning id)
  update station s set bank_version_id = versioned.id
  from used u join versioned on versioned.id = u.version_id
  where (u.title, u.minutes, u.checklist_version_id) = (s.title, s.minutes, s.checklist_version_id);
  alter table station alter column bank_version_id set not null;
  create index station_bank_version on station (bank_version_id);

  create function refuse_other_bank_station() returns trigger language plpgsql as $$
  begin
    raise exception 'station % names the version of the bank that it was made from', old.id
      using errcode = 'restrict_violation';
  end $$;
  create trigger station_keeps_bank_version before update of bank_version_id on station
    for each row when (new.bank_version_id <> old.bank_version_id)
    execute function refuse_other_bank_station();

  -- The stations that two examinations have in common: asked and marked in the same words.
  create view anchor as
    select s.id as station_id, o.id as other_station_id, s.examination_id,
      o.examination_id as other_examination_id
    from station s join station o on o.bank_version_id = s.bank_version_id
      and o.checklist_version_id = s.checklist_version_id and o.examination_id <> s.examination_id;
`;

const RELEASE = `
  create table release (
    decision_id uuid primary key references decision,
    released_by uuid not null references account,
    released_at timestamptz not null default now()
  );
  create trigger release_append_only before update or delete on release
    for each row execute function refuse_change();
`;

export async function down(): Promise<void> {
  throw new Error('Migrations go forward only; restore a backup instead.');
}
