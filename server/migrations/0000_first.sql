CREATE EXTENSION IF NOT EXISTS pg_trgm;
--> statement-breakpoint
CREATE TABLE "bikes" (
	"id" uuid PRIMARY KEY NOT NULL,
	"studio_id" uuid NOT NULL,
	"rider_id" uuid NOT NULL,
	"name" text NOT NULL,
	"kind" text NOT NULL,
	"version" integer NOT NULL,
	CONSTRAINT "bikes_rider_id" UNIQUE("rider_id","id")
);
--> statement-breakpoint
CREATE TABLE "complaints" (
	"id" uuid PRIMARY KEY NOT NULL,
	"visit_id" uuid NOT NULL,
	"seq" integer NOT NULL,
	"region" text NOT NULL,
	"side" text NOT NULL,
	"kind" text NOT NULL,
	"starts_after" integer,
	"situation" text NOT NULL,
	"severity" smallint NOT NULL,
	"note" text NOT NULL,
	"warnings" jsonb NOT NULL,
	"removed" boolean NOT NULL,
	"version" integer NOT NULL,
	CONSTRAINT "complaints_visit_id" UNIQUE("visit_id","id"),
	CONSTRAINT "complaints_visit_seq" UNIQUE("visit_id","seq"),
	CONSTRAINT "complaints_side" CHECK ("complaints"."side" in ('left', 'right', 'both', 'middle')),
	CONSTRAINT "complaints_severity" CHECK ("complaints"."severity" between 0 and 10),
	CONSTRAINT "complaints_starts_after" CHECK ("complaints"."starts_after" is null or "complaints"."starts_after" between 0 and 1440)
);
--> statement-breakpoint
CREATE TABLE "ledger" (
	"id" uuid PRIMARY KEY NOT NULL,
	"visit_id" uuid NOT NULL,
	"seq" integer NOT NULL,
	"kind" text NOT NULL,
	"of" uuid,
	"station" text,
	"moves" jsonb,
	"reason" text,
	"later" text,
	"at" timestamp with time zone NOT NULL,
	CONSTRAINT "ledger_visit_id" UNIQUE("visit_id","id"),
	CONSTRAINT "ledger_visit_seq" UNIQUE("visit_id","seq"),
	CONSTRAINT "ledger_kind" CHECK (("ledger"."kind" = 'try') = ("ledger"."of" is null and "ledger"."moves" is not null and "ledger"."station" is not null)),
	CONSTRAINT "ledger_kinds" CHECK ("ledger"."kind" in ('try', 'keep', 'undo'))
);
--> statement-breakpoint
CREATE TABLE "ratings" (
	"visit_id" uuid NOT NULL,
	"complaint_id" uuid NOT NULL,
	"change_id" uuid NOT NULL,
	"severity" smallint NOT NULL,
	"version" integer NOT NULL,
	CONSTRAINT "ratings_visit_id_complaint_id_change_id_pk" PRIMARY KEY("visit_id","complaint_id","change_id"),
	CONSTRAINT "ratings_severity" CHECK ("ratings"."severity" between 0 and 10)
);
--> statement-breakpoint
CREATE TABLE "readings" (
	"visit_id" uuid NOT NULL,
	"key" text NOT NULL,
	"side" text NOT NULL,
	"value" double precision,
	"typed" text NOT NULL,
	"method" text NOT NULL,
	"taken_at" timestamp with time zone NOT NULL,
	"version" integer NOT NULL,
	CONSTRAINT "readings_visit_id_key_side_pk" PRIMARY KEY("visit_id","key","side"),
	CONSTRAINT "readings_side" CHECK ("readings"."side" in ('left', 'right', 'both')),
	CONSTRAINT "readings_finite" CHECK ("readings"."value" is null or "readings"."value" between -100000 and 100000)
);
--> statement-breakpoint
CREATE TABLE "riders" (
	"id" uuid PRIMARY KEY NOT NULL,
	"studio_id" uuid NOT NULL,
	"name" text NOT NULL,
	"note" text NOT NULL,
	"search" text NOT NULL,
	"touched_at" timestamp with time zone NOT NULL,
	"version" integer NOT NULL,
	CONSTRAINT "riders_studio_id" UNIQUE("studio_id","id"),
	CONSTRAINT "riders_name_not_empty" CHECK (length(btrim("riders"."name")) > 0)
);
--> statement-breakpoint
CREATE TABLE "studios" (
	"id" uuid PRIMARY KEY NOT NULL,
	"name" text NOT NULL,
	"demo_loaded_at" timestamp with time zone
);
--> statement-breakpoint
CREATE TABLE "visits" (
	"id" uuid PRIMARY KEY NOT NULL,
	"studio_id" uuid NOT NULL,
	"rider_id" uuid NOT NULL,
	"bike_id" uuid NOT NULL,
	"title" text NOT NULL,
	"cleat_school" text NOT NULL,
	"accepted" jsonb NOT NULL,
	"started_at" timestamp with time zone NOT NULL,
	"version" integer NOT NULL
);
--> statement-breakpoint
ALTER TABLE "bikes" ADD CONSTRAINT "bikes_rider" FOREIGN KEY ("studio_id","rider_id") REFERENCES "public"."riders"("studio_id","id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "complaints" ADD CONSTRAINT "complaints_visit_id_visits_id_fk" FOREIGN KEY ("visit_id") REFERENCES "public"."visits"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "ledger" ADD CONSTRAINT "ledger_visit_id_visits_id_fk" FOREIGN KEY ("visit_id") REFERENCES "public"."visits"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "ledger" ADD CONSTRAINT "ledger_of_same_visit" FOREIGN KEY ("visit_id","of") REFERENCES "public"."ledger"("visit_id","id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "ratings" ADD CONSTRAINT "ratings_visit_id_visits_id_fk" FOREIGN KEY ("visit_id") REFERENCES "public"."visits"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "ratings" ADD CONSTRAINT "ratings_complaint" FOREIGN KEY ("visit_id","complaint_id") REFERENCES "public"."complaints"("visit_id","id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "ratings" ADD CONSTRAINT "ratings_change" FOREIGN KEY ("visit_id","change_id") REFERENCES "public"."ledger"("visit_id","id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "readings" ADD CONSTRAINT "readings_visit_id_visits_id_fk" FOREIGN KEY ("visit_id") REFERENCES "public"."visits"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "riders" ADD CONSTRAINT "riders_studio_id_studios_id_fk" FOREIGN KEY ("studio_id") REFERENCES "public"."studios"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "visits" ADD CONSTRAINT "visits_rider" FOREIGN KEY ("studio_id","rider_id") REFERENCES "public"."riders"("studio_id","id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "visits" ADD CONSTRAINT "visits_bike_of_rider" FOREIGN KEY ("rider_id","bike_id") REFERENCES "public"."bikes"("rider_id","id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "bikes_of_rider" ON "bikes" USING btree ("rider_id");--> statement-breakpoint
CREATE INDEX "riders_recent" ON "riders" USING btree ("studio_id","touched_at" DESC NULLS FIRST,"id" DESC NULLS FIRST);--> statement-breakpoint
CREATE INDEX "riders_search" ON "riders" USING gin ("search" gin_trgm_ops);--> statement-breakpoint
CREATE INDEX "visits_of_rider" ON "visits" USING btree ("rider_id","started_at" DESC NULLS FIRST);