CREATE TABLE "attachments" (
	"id" uuid PRIMARY KEY NOT NULL,
	"visit_id" uuid NOT NULL,
	"kind" text NOT NULL,
	"title" text NOT NULL,
	"marks" jsonb,
	"media_type" text NOT NULL,
	"width" integer,
	"height" integer,
	"bytes" integer NOT NULL,
	"content" "bytea" NOT NULL,
	"created_at" timestamp with time zone NOT NULL,
	"removed" boolean DEFAULT false NOT NULL,
	"version" integer NOT NULL,
	CONSTRAINT "attachments_kind" CHECK ("attachments"."kind" in ('impression', 'mat')),
	CONSTRAINT "attachments_picture" CHECK (("attachments"."kind" = 'impression') = ("attachments"."width" is not null and "attachments"."height" is not null))
);
--> statement-breakpoint
CREATE TABLE "saddles" (
	"id" uuid PRIMARY KEY NOT NULL,
	"studio_id" uuid NOT NULL,
	"spec" jsonb NOT NULL,
	"removed" boolean DEFAULT false NOT NULL,
	"version" integer NOT NULL,
	CONSTRAINT "saddles_spec_is_object" CHECK (jsonb_typeof("saddles"."spec") = 'object')
);
--> statement-breakpoint
CREATE TABLE "tried_saddles" (
	"id" uuid PRIMARY KEY NOT NULL,
	"rider_id" uuid NOT NULL,
	"saddle" jsonb NOT NULL,
	"removed" boolean DEFAULT false NOT NULL,
	"version" integer NOT NULL,
	CONSTRAINT "tried_saddles_saddle_is_object" CHECK (jsonb_typeof("tried_saddles"."saddle") = 'object')
);
--> statement-breakpoint
ALTER TABLE "readings" ADD COLUMN "plus_minus" double precision;--> statement-breakpoint
ALTER TABLE "studios" ADD COLUMN "saddles_loaded_at" timestamp with time zone;--> statement-breakpoint
ALTER TABLE "visits" ADD COLUMN "seat" jsonb DEFAULT '{}'::jsonb NOT NULL;--> statement-breakpoint
ALTER TABLE "attachments" ADD CONSTRAINT "attachments_visit_id_visits_id_fk" FOREIGN KEY ("visit_id") REFERENCES "public"."visits"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "saddles" ADD CONSTRAINT "saddles_studio_id_studios_id_fk" FOREIGN KEY ("studio_id") REFERENCES "public"."studios"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "tried_saddles" ADD CONSTRAINT "tried_saddles_rider_id_riders_id_fk" FOREIGN KEY ("rider_id") REFERENCES "public"."riders"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "attachments_of_visit" ON "attachments" USING btree ("visit_id","created_at");--> statement-breakpoint
CREATE UNIQUE INDEX "saddles_name" ON "saddles" USING btree ("studio_id",lower("spec"->>'name')) WHERE not "saddles"."removed";--> statement-breakpoint
CREATE INDEX "tried_saddles_of_rider" ON "tried_saddles" USING btree ("rider_id");--> statement-breakpoint
ALTER TABLE "readings" ADD CONSTRAINT "readings_plus_minus" CHECK ("readings"."plus_minus" is null or ("readings"."plus_minus" > 0 and "readings"."plus_minus" <= 100));