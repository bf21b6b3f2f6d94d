CREATE TABLE "pedals" (
	"id" uuid PRIMARY KEY NOT NULL,
	"studio_id" uuid NOT NULL,
	"spec" jsonb NOT NULL,
	"removed" boolean DEFAULT false NOT NULL,
	"version" integer NOT NULL,
	CONSTRAINT "pedals_spec_is_object" CHECK (jsonb_typeof("pedals"."spec") = 'object')
);
--> statement-breakpoint
ALTER TABLE "studios" ADD COLUMN "pedals_loaded_at" timestamp with time zone;--> statement-breakpoint
ALTER TABLE "visits" ADD COLUMN "pedal_weights" jsonb DEFAULT '{}'::jsonb NOT NULL;--> statement-breakpoint
ALTER TABLE "visits" ADD COLUMN "stance_by" text;--> statement-breakpoint
ALTER TABLE "pedals" ADD CONSTRAINT "pedals_studio_id_studios_id_fk" FOREIGN KEY ("studio_id") REFERENCES "public"."studios"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE UNIQUE INDEX "pedals_name" ON "pedals" USING btree ("studio_id",lower("spec"->>'name')) WHERE not "pedals"."removed";