CREATE TABLE "cockpit_parts" (
	"id" uuid PRIMARY KEY NOT NULL,
	"studio_id" uuid NOT NULL,
	"spec" jsonb NOT NULL,
	"removed" boolean DEFAULT false NOT NULL,
	"version" integer NOT NULL,
	CONSTRAINT "cockpit_parts_spec_is_object" CHECK (jsonb_typeof("cockpit_parts"."spec") = 'object')
);
--> statement-breakpoint
ALTER TABLE "studios" ADD COLUMN "cockpit_loaded_at" timestamp with time zone;--> statement-breakpoint
ALTER TABLE "cockpit_parts" ADD CONSTRAINT "cockpit_parts_studio_id_studios_id_fk" FOREIGN KEY ("studio_id") REFERENCES "public"."studios"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE UNIQUE INDEX "cockpit_parts_name" ON "cockpit_parts" USING btree ("studio_id",lower("spec"->>'name')) WHERE not "cockpit_parts"."removed";