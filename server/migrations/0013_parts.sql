CREATE TABLE "filled_catalogues" (
	"studio_id" uuid NOT NULL,
	"catalogue" text NOT NULL,
	"at" timestamp with time zone NOT NULL,
	CONSTRAINT "filled_catalogues_studio_id_catalogue_pk" PRIMARY KEY("studio_id","catalogue")
);
--> statement-breakpoint
CREATE TABLE "parts" (
	"id" uuid PRIMARY KEY NOT NULL,
	"studio_id" uuid NOT NULL,
	"catalogue" text NOT NULL,
	"spec" jsonb NOT NULL,
	"removed" boolean DEFAULT false NOT NULL,
	"version" integer NOT NULL,
	CONSTRAINT "parts_spec_is_object" CHECK (jsonb_typeof("parts"."spec") = 'object')
);
--> statement-breakpoint
ALTER TABLE "filled_catalogues" ADD CONSTRAINT "filled_catalogues_studio_id_studios_id_fk" FOREIGN KEY ("studio_id") REFERENCES "public"."studios"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "parts" ADD CONSTRAINT "parts_studio_id_studios_id_fk" FOREIGN KEY ("studio_id") REFERENCES "public"."studios"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE UNIQUE INDEX "parts_name" ON "parts" USING btree ("studio_id","catalogue",lower("spec"->>'name')) WHERE not "parts"."removed";--> statement-breakpoint
INSERT INTO "parts" ("id", "studio_id", "catalogue", "spec", "removed", "version")
	SELECT "id", "studio_id", 'pedals', "spec", "removed", "version" FROM "pedals"
	UNION ALL SELECT "id", "studio_id", 'saddles', "spec", "removed", "version" FROM "saddles"
	UNION ALL SELECT "id", "studio_id", 'cockpit-parts', "spec", "removed", "version" FROM "cockpit_parts";--> statement-breakpoint
INSERT INTO "filled_catalogues" ("studio_id", "catalogue", "at")
	SELECT "id", 'pedals', "pedals_loaded_at" FROM "studios" WHERE "pedals_loaded_at" IS NOT NULL
	UNION ALL SELECT "id", 'saddles', "saddles_loaded_at" FROM "studios" WHERE "saddles_loaded_at" IS NOT NULL
	UNION ALL SELECT "id", 'cockpit-parts', "cockpit_loaded_at" FROM "studios" WHERE "cockpit_loaded_at" IS NOT NULL;
