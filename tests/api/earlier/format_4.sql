BEGIN TRANSACTION;
CREATE TABLE alembic_version (
	version_num VARCHAR(32) NOT NULL, 
	CONSTRAINT alembic_version_pkc PRIMARY KEY (version_num)
);
INSERT INTO "alembic_version" VALUES('0003');
CREATE TABLE desk (
	id INTEGER NOT NULL, 
	content JSON NOT NULL, 
	PRIMARY KEY (id)
);
INSERT INTO "desk" VALUES(1,'{"setup_id": "1622e5b20a94476a9a2b559d95759d9b", "place": "chain"}');
CREATE TABLE job (
	id VARCHAR(32) NOT NULL, 
	kind VARCHAR(16) NOT NULL, 
	about VARCHAR(64) NOT NULL, 
	state VARCHAR(16) NOT NULL, 
	asked_at DATETIME NOT NULL, 
	question VARCHAR(64) NOT NULL, 
	answer JSON, 
	trouble VARCHAR(500) NOT NULL, 
	PRIMARY KEY (id)
);
CREATE TABLE "record" (
	id VARCHAR(32) NOT NULL, 
	kind VARCHAR(16) NOT NULL, 
	parent_id VARCHAR(32), 
	version INTEGER NOT NULL, 
	heading VARCHAR(200) NOT NULL, 
	created_at DATETIME NOT NULL, 
	removed_at DATETIME, 
	PRIMARY KEY (id), 
	FOREIGN KEY(parent_id) REFERENCES record (id)
);
INSERT INTO "record" VALUES('b6ed1b20080e435c876ce61263e610f3','car',NULL,1,'Dunnock','2026-12-01 06:19:22.559135',NULL);
INSERT INTO "record" VALUES('1622e5b20a94476a9a2b559d95759d9b','setup','b6ed1b20080e435c876ce61263e610f3',1,'Big fronts, rear matched','2026-12-01 06:19:22.580959',NULL);
CREATE TABLE revision (
	record_id VARCHAR(32) NOT NULL, 
	number INTEGER NOT NULL, 
	format_version INTEGER NOT NULL, 
	document JSON NOT NULL, 
	name VARCHAR(80) NOT NULL, 
	note VARCHAR(2000) NOT NULL, 
	saved_at DATETIME NOT NULL, 
	PRIMARY KEY (record_id, number), 
	FOREIGN KEY(record_id) REFERENCES record (id)
);
INSERT INTO "revision" VALUES('b6ed1b20080e435c876ce61263e610f3',1,4,'{"name": "Dunnock", "kind": "buggy", "mass": 1350.0, "front_share": 0.6, "wheelbase": 2.83, "cg_height": 0.5, "front_tyre": {"friction": 0.95, "load_sensitivity": 0.04, "loaded_radius": 0.312, "size": "225/55 R16"}, "rear_tyre": {"friction": 0.95, "load_sensitivity": 0.04, "loaded_radius": 0.312, "size": "225/55 R16"}, "drag_area": 0.95, "power": 135000.0, "engine_braking": 250.0, "driven_axle": "both alike", "top_speed": 50.0, "stop_to_speed": 15.0, "road_registered": true, "driver": {"foot_force": 300.0, "foot_force_limit": 500.0}, "loading": {"items": [{"name": "Fuel", "mass": 45.0, "behind_front_axle": 2.2, "height": 0.45}], "states": [{"name": "Low fuel", "shares": [0.3]}]}, "original": {"anti_lock": true, "front": {"pistons": [0.054], "disc_diameter": 0.288, "pad_friction": 0.4}, "rear": {"pistons": [0.0349], "disc_diameter": 0.262, "pad_friction": 0.4}}, "measured": {"weighing": {"scales": "axle scales"}, "logged": {"track": "gravel"}}, "states": [{"name": "Dry", "speed": 30.0}, {"name": "Damp", "track": "damp", "speed": 30.0}, {"name": "Wet", "track": "wet", "speed": 30.0}, {"name": "Dry, low fuel", "load": "Low fuel", "speed": 30.0}], "sessions": [{"name": "Fenbank, 8 laps", "circuit": {"name": "Fenbank", "sections": [{"length": 540.0}, {"name": "Alder", "length": 80.0, "radius": 44.0}, {"length": 210.0}, {"name": "Lode", "length": 60.0, "radius": 31.0}, {"length": 310.0}, {"name": "Causeway", "length": 90.0, "radius": 72.0}, {"length": 180.0}, {"name": "Pump", "length": 50.0, "radius": 27.0}, {"length": 490.0}, {"name": "Willow", "length": 80.0, "radius": 50.0}, {"length": 180.0}, {"name": "Drove", "length": 65.0, "radius": 33.0}, {"length": 280.0}, {"name": "Washland", "length": 100.0, "radius": 64.0}]}, "fast_laps": 8}, {"name": "Tollgate, 10 laps", "circuit": {"name": "Tollgate", "sections": [{"length": 170.0}, {"name": "Gate", "length": 90.0, "radius": 22.0}, {"length": 120.0}, {"name": "Penny", "length": 80.0, "radius": 18.0}, {"length": 190.0}, {"name": "Bar", "length": 85.0, "radius": 24.0}, {"length": 130.0}, {"name": "Keeper", "length": 90.0, "radius": 20.0}, {"length": 210.0}, {"name": "Turnpike", "length": 80.0, "radius": 19.0}, {"length": 120.0}, {"name": "Ledger", "length": 95.0, "radius": 18.0}, {"length": 150.0}, {"name": "Lantern", "length": 90.0, "radius": 22.0}]}}]}','','','2026-12-01 06:19:22.561845');
INSERT INTO "revision" VALUES('1622e5b20a94476a9a2b559d95759d9b',1,4,'{"name": "Big fronts, rear matched", "pedal": {"ratio": 4.0, "room": 0.14}, "split": "tandem cylinder", "booster": {"fitted": true, "gain": 2.8, "run_out": 1800.0}, "balance_bar": {"length": 0.064}, "tandem": {"bore": 0.0238125, "stroke": 0.02}, "front": {"master_cylinder": {"bore": 0.0238125}, "lines": {"pipe_length": 2.0}, "caliper": {"mounting": "sliding", "pistons": [0.0413, 0.0445], "hand": "two alike", "retention": "residual-pressure valve", "piston_material": "phenolic", "body": "cast iron"}, "disc": {"outer_diameter": 0.33, "thickness": 0.028, "ring_height": 0.06, "vane_gap": 0.01, "vane_shape": "curved", "bell": "floating", "material": "carbon-carbon"}, "pad": {"friction": 0.5, "height": 0.056, "length": 0.13, "compound": "endurance", "letter": "H", "material": "carbon"}, "cooling": {"shielding": "inner face covered", "duct": {"opening": {"place": "bottom of the door", "mouth": "flush with the skin"}, "aim": "at the tyre", "flange": "with a radius"}}}, "rear": {"master_cylinder": {"bore": 0.0238125}, "lines": {"pipe_length": 5.0}, "caliper": {"pistons": [0.0413], "hand": "two alike", "retention": "residual-pressure valve", "piston_material": "phenolic", "body": "cast iron"}, "disc": {"outer_diameter": 0.262, "thickness": 0.01, "ring_height": 0.054, "vane_shape": "curved", "bell": "floating", "material": "carbon-carbon"}, "pad": {"friction": 0.4, "height": 0.05, "length": 0.09, "compound": "endurance", "letter": "H", "material": "carbon"}, "cooling": {"shielding": "inner face covered", "duct": {"opening": {"place": "bottom of the door", "mouth": "flush with the skin"}, "aim": "at the tyre", "flange": "with a radius"}}}, "valve": {"kind": "lever", "slope": 0.4}, "fluid": {"kind": "race fluid", "filled": "2026-03-28"}, "radius_method": "disc less half pad"}','','','2026-12-01 06:19:22.581542');
CREATE TABLE series (
	record_id VARCHAR(32) NOT NULL, 
	name VARCHAR(80) NOT NULL, 
	start INTEGER NOT NULL, 
	count INTEGER NOT NULL, 
	samples BLOB NOT NULL, 
	PRIMARY KEY (record_id, name, start), 
	FOREIGN KEY(record_id) REFERENCES record (id)
);
CREATE TRIGGER revision_no_update before update on revision begin select raise(abort, 'a revision never changes'); end;
CREATE TRIGGER revision_no_delete before delete on revision begin select raise(abort, 'a revision never changes'); end;
CREATE INDEX record_by_parent ON record (parent_id);
CREATE INDEX record_by_kind ON record (kind);
CREATE TRIGGER series_no_update before update on series begin select raise(abort, 'a series never changes'); end;
CREATE TRIGGER series_no_delete before delete on series begin select raise(abort, 'a series never changes'); end;
CREATE INDEX job_by_about ON job (about);
COMMIT;
