-- Readings stand in the ledger's time, choices by key, every row names its studio.
ALTER TABLE "attachments" DROP CONSTRAINT "attachments_visit_id_visits_id_fk";
--> statement-breakpoint
ALTER TABLE "complaints" DROP CONSTRAINT "complaints_visit_id_visits_id_fk";
--> statement-breakpoint
ALTER TABLE "ledger" DROP CONSTRAINT "ledger_visit_id_visits_id_fk";
--> statement-breakpoint
ALTER TABLE "ratings" DROP CONSTRAINT "ratings_visit_id_visits_id_fk";
--> statement-breakpoint
ALTER TABLE "readings" DROP CONSTRAINT "readings_visit_id_visits_id_fk";
--> statement-breakpoint
ALTER TABLE "tried_saddles" DROP CONSTRAINT "tried_saddles_rider_id_riders_id_fk";
--> statement-breakpoint
ALTER TABLE "visits" ADD CONSTRAINT "visits_studio_id" UNIQUE("studio_id","id");
--> statement-breakpoint
-- The ledger is never edited by the program; here it only learns whose it is.
ALTER TABLE "ledger" DISABLE TRIGGER "ledger_append_only";
--> statement-breakpoint
ALTER TABLE "attachments" ADD COLUMN "studio_id" uuid;
--> statement-breakpoint
UPDATE "attachments" t SET "studio_id" = v."studio_id" FROM "visits" v WHERE v."id" = t."visit_id";
--> statement-breakpoint
ALTER TABLE "attachments" ALTER COLUMN "studio_id" SET NOT NULL;
--> statement-breakpoint
ALTER TABLE "attachments" ADD CONSTRAINT "attachments_visit" FOREIGN KEY ("studio_id","visit_id") REFERENCES "public"."visits"("studio_id","id") ON DELETE cascade ON UPDATE no action;
--> statement-breakpoint
ALTER TABLE "complaints" ADD COLUMN "studio_id" uuid;
--> statement-breakpoint
UPDATE "complaints" t SET "studio_id" = v."studio_id" FROM "visits" v WHERE v."id" = t."visit_id";
--> statement-breakpoint
ALTER TABLE "complaints" ALTER COLUMN "studio_id" SET NOT NULL;
--> statement-breakpoint
ALTER TABLE "complaints" ADD CONSTRAINT "complaints_visit" FOREIGN KEY ("studio_id","visit_id") REFERENCES "public"."visits"("studio_id","id") ON DELETE cascade ON UPDATE no action;
--> statement-breakpoint
ALTER TABLE "ledger" ADD COLUMN "studio_id" uuid;
--> statement-breakpoint
UPDATE "ledger" t SET "studio_id" = v."studio_id" FROM "visits" v WHERE v."id" = t."visit_id";
--> statement-breakpoint
ALTER TABLE "ledger" ALTER COLUMN "studio_id" SET NOT NULL;
--> statement-breakpoint
ALTER TABLE "ledger" ADD CONSTRAINT "ledger_visit" FOREIGN KEY ("studio_id","visit_id") REFERENCES "public"."visits"("studio_id","id") ON DELETE cascade ON UPDATE no action;
--> statement-breakpoint
ALTER TABLE "ratings" ADD COLUMN "studio_id" uuid;
--> statement-breakpoint
UPDATE "ratings" t SET "studio_id" = v."studio_id" FROM "visits" v WHERE v."id" = t."visit_id";
--> statement-breakpoint
ALTER TABLE "ratings" ALTER COLUMN "studio_id" SET NOT NULL;
--> statement-breakpoint
ALTER TABLE "ratings" ADD CONSTRAINT "ratings_visit" FOREIGN KEY ("studio_id","visit_id") REFERENCES "public"."visits"("studio_id","id") ON DELETE cascade ON UPDATE no action;
--> statement-breakpoint
ALTER TABLE "readings" ADD COLUMN "studio_id" uuid;
--> statement-breakpoint
UPDATE "readings" t SET "studio_id" = v."studio_id" FROM "visits" v WHERE v."id" = t."visit_id";
--> statement-breakpoint
ALTER TABLE "readings" ALTER COLUMN "studio_id" SET NOT NULL;
--> statement-breakpoint
ALTER TABLE "readings" ADD CONSTRAINT "readings_visit" FOREIGN KEY ("studio_id","visit_id") REFERENCES "public"."visits"("studio_id","id") ON DELETE cascade ON UPDATE no action;
--> statement-breakpoint
ALTER TABLE "ledger" ENABLE TRIGGER "ledger_append_only";
--> statement-breakpoint
ALTER TABLE "tried_saddles" ADD COLUMN "studio_id" uuid;
--> statement-breakpoint
UPDATE "tried_saddles" t SET "studio_id" = r."studio_id" FROM "riders" r WHERE r."id" = t."rider_id";
--> statement-breakpoint
ALTER TABLE "tried_saddles" ALTER COLUMN "studio_id" SET NOT NULL;
--> statement-breakpoint
ALTER TABLE "tried_saddles" ADD CONSTRAINT "tried_saddles_rider" FOREIGN KEY ("studio_id","rider_id") REFERENCES "public"."riders"("studio_id","id") ON DELETE cascade ON UPDATE no action;
--> statement-breakpoint
ALTER TABLE "ledger" ADD COLUMN "exchanges" jsonb;
--> statement-breakpoint
ALTER TABLE "readings" DROP CONSTRAINT "readings_visit_id_key_side_condition_pk";
--> statement-breakpoint
ALTER TABLE "readings" ADD COLUMN "choice" text;
--> statement-breakpoint
ALTER TABLE "readings" ADD COLUMN "after" uuid;
--> statement-breakpoint
-- Choices by key instead of by place in a list.
UPDATE "readings" r SET "choice" = l.words[r."value"::int], "value" = NULL FROM (VALUES
    ('kneeAlignment', array['straight', 'bow-legged', 'knock-kneed']),
    ('legDifferenceAt', array['unknown', 'thigh', 'shank', 'foot', 'pelvis']),
    ('saddleKind', array['long-flat', 'long-curved', 'short-nose', 'touring', 'broad-padded', 'sprung', 'split-nose']),
    ('saddleRelief', array['none', 'groove', 'cut-out']),
    ('saddleSound', array['sound', 'sags-left', 'sags-right', 'cracked']),
    ('postHead', array['two-bolts', 'notched', 'smooth', 'screw']),
    ('headThread', array['M4', 'M5', 'M6', 'M8']),
    ('shifterPlace', array['inside', 'outside', 'one-piece', 'none']),
    ('pedalKind', array['plate-coil', 'plate-leaf', 'plate-glide', 'cleat-mechanism', 'recessed', 'recessed-platform', 'flat-pins']),
    ('soleStiffness', array['soft', 'medium', 'stiff']),
    ('shoeUpper', array['soft', 'firm', 'mouldable']),
    ('recess', array['recessed', 'flush']),
    ('boltPattern', array['two bolts', 'three bolts', 'four bolts', 'none']),
    ('cleatWalking', array['hardly', 'some', 'much']),
    ('cleatWear', array['fresh', 'worn', 'at-mark']),
    ('cleatPlay', array['none', 'little', 'much']),
    ('releaseFeel', array['clean', 'vague', 'hard']),
    ('boltsFitted', array['one', 'two', 'three', 'four']),
    ('pelvisLevel', array['level', 'drops-left', 'drops-right', 'twisted']),
    ('sitsWhere', array['nose', 'middle', 'tail']),
    ('pelvisRock', array['none', 'some', 'much'])
  ) AS l(key, words) WHERE r."key" = l.key AND r."value" IS NOT NULL AND l.words[r."value"::int] IS NOT NULL;
--> statement-breakpoint
-- What belonged to the contact points it was read at stands after the change its time puts it after; all else told of the start.
UPDATE "readings" r SET "after" = e."id" FROM "ledger" e WHERE e."visit_id" = r."visit_id"
  AND e."seq" = (SELECT count(*) FROM "ledger" b WHERE b."visit_id" = r."visit_id" AND b."at" <= r."taken_at")
  AND r."key" IN ('kneeFlexion', 'footPitch', 'kneeOutside', 'hipAngle', 'torsoAngle', 'elbowFlexion', 'shoulderAngle', 'wristAngle', 'kneeElbowGap', 'pelvisLevel', 'sitsWhere', 'creepForward', 'pelvisRock');
--> statement-breakpoint
CREATE UNIQUE INDEX "readings_one" ON "readings" USING btree ("visit_id","key","side","condition",coalesce("after", '00000000-0000-0000-0000-000000000000'::uuid));
--> statement-breakpoint
ALTER TABLE "readings" ADD CONSTRAINT "readings_after" FOREIGN KEY ("visit_id","after") REFERENCES "public"."ledger"("visit_id","id") ON DELETE no action ON UPDATE no action;
--> statement-breakpoint
ALTER TABLE "readings" ADD CONSTRAINT "readings_number_or_choice" CHECK ("readings"."value" is null or "readings"."choice" is null);
--> statement-breakpoint
UPDATE "pedals" SET "spec" = jsonb_set("spec", '{kind}', to_jsonb((array['plate-coil', 'plate-leaf', 'plate-glide', 'cleat-mechanism', 'recessed', 'recessed-platform', 'flat-pins'])[("spec"->>'kind')::int])) WHERE jsonb_typeof("spec"->'kind') = 'number';
--> statement-breakpoint
UPDATE "saddles" SET "spec" = jsonb_set("spec", '{kind}', to_jsonb((array['long-flat', 'long-curved', 'short-nose', 'touring', 'broad-padded', 'sprung', 'split-nose'])[("spec"->>'kind')::int])) WHERE jsonb_typeof("spec"->'kind') = 'number';
--> statement-breakpoint
ALTER TABLE "visits" ADD COLUMN "feet" jsonb DEFAULT '{}'::jsonb NOT NULL;
--> statement-breakpoint
ALTER TABLE "visits" ADD COLUMN "hands" jsonb DEFAULT '{}'::jsonb NOT NULL;
--> statement-breakpoint
UPDATE "visits" SET "feet" = jsonb_strip_nulls(jsonb_build_object('cleatSchool', "cleat_school", 'stanceBy', "stance_by", 'pedalWeights', CASE WHEN "pedal_weights" = '{}'::jsonb THEN NULL ELSE "pedal_weights" END));
