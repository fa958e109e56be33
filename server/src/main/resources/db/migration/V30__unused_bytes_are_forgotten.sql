-- Pictures and meshes that nothing refers to are forgotten after a day; what stands was made who knows when.
alter table media add column made_at timestamptz not null default now();
alter table shell add column made_at timestamptz not null default now();
