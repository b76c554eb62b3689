BEGIN TRANSACTION;
CREATE TABLE alembic_version (
	version_num VARCHAR(32) NOT NULL, 
	CONSTRAINT alembic_version_pkc PRIMARY KEY (version_num)
);
INSERT INTO "alembic_version" VALUES('0001');
CREATE TABLE desk (
	id INTEGER NOT NULL, 
	content JSON NOT NULL, 
	PRIMARY KEY (id)
);
INSERT INTO "desk" VALUES(1,'{"setup_id": "f85b5cd87a174bd590dc32fa4fbd8339", "place": "chain"}');
CREATE TABLE record (
	id VARCHAR(32) NOT NULL, 
	kind VARCHAR(16) NOT NULL, 
	parent_id VARCHAR(32), 
	version INTEGER NOT NULL, 
	created_at DATETIME NOT NULL, 
	removed_at DATETIME, 
	PRIMARY KEY (id), 
	CONSTRAINT known_kind CHECK (kind in ('car', 'setup')), 
	CONSTRAINT setup_has_car CHECK ((kind = 'setup') = (parent_id is not null)), 
	FOREIGN KEY(parent_id) REFERENCES record (id)
);
INSERT INTO "record" VALUES('382948a4e9ac418c84d3d09788b598bc','car',NULL,1,'2026-11-24 05:57:20.913058',NULL);
INSERT INTO "record" VALUES('f85b5cd87a174bd590dc32fa4fbd8339','setup','382948a4e9ac418c84d3d09788b598bc',1,'2026-11-24 05:57:20.919631',NULL);
INSERT INTO "record" VALUES('b7e53845ca1d438a948e8df217b1bf9f','setup','382948a4e9ac418c84d3d09788b598bc',1,'2026-11-24 05:57:20.922323',NULL);
INSERT INTO "record" VALUES('a8e47ba8fd9a4bafaacf33033eea0518','car',NULL,1,'2026-11-24 05:57:20.923918',NULL);
INSERT INTO "record" VALUES('507bc3424e704994991808470a3c98e4','setup','a8e47ba8fd9a4bafaacf33033eea0518',1,'2026-11-24 05:57:20.926264',NULL);
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
INSERT INTO "revision" VALUES('382948a4e9ac418c84d3d09788b598bc',1,1,'{"confirmed": ["rotating_share"], "name": "Wren", "mass": 640.0, "front_share": 0.45, "wheelbase": 2.32, "cg_height": 0.37, "front_tyre": {"confirmed": [], "friction": 1.3, "loaded_radius": 0.283}, "rear_tyre": {"confirmed": [], "friction": 1.3, "loaded_radius": 0.295}, "front_lift_area": 0.55, "rear_lift_area": 0.85, "top_speed": 62.0, "stop_to_speed": 20.0, "rotating_share": 0.03, "slip_share": 0.06, "driver": {"confirmed": [], "foot_force": 400.0, "foot_force_limit": 600.0}, "states": [{"confirmed": [], "name": "Dry, slow", "grip": 1.0, "speed": 15.0, "air_density": 1.2}, {"confirmed": [], "name": "Dry, fast", "grip": 1.0, "speed": 55.0, "air_density": 1.2}, {"confirmed": [], "name": "Wet, slow", "grip": 0.6, "speed": 15.0, "air_density": 1.2}, {"confirmed": [], "name": "Wet, fast", "grip": 0.6, "speed": 55.0, "air_density": 1.2}]}','','','2026-11-24 05:57:20.915138');
INSERT INTO "revision" VALUES('f85b5cd87a174bd590dc32fa4fbd8339',1,1,'{"confirmed": [], "name": "Sprint", "pedal": {"confirmed": [], "ratio": 5.0, "efficiency": 0.95}, "balance_bar": {"confirmed": [], "length": 0.064, "offset": 0.0, "thread_pitch": 0.00127}, "front": {"confirmed": [], "master_cylinder": {"confirmed": [], "name": "", "bore": 0.01778, "efficiency": 1.0}, "caliper": {"confirmed": [], "name": "", "mounting": "fixed", "pistons": [0.0381, 0.0413], "efficiency": 1.0}, "disc": {"confirmed": [], "name": "", "outer_diameter": 0.284, "thickness": 0.026, "ring_height": 0.054, "vane_gap": 0.01, "vane_fill": 0.2, "material": "grey iron", "weighed_mass": null}, "pad": {"confirmed": [], "name": "", "friction": 0.45, "height": 0.048, "length": 0.11, "inset": 0.0, "material": "resin-bonded"}}, "rear": {"confirmed": [], "master_cylinder": {"confirmed": [], "name": "", "bore": 0.0206375, "efficiency": 1.0}, "caliper": {"confirmed": [], "name": "", "mounting": "fixed", "pistons": [0.036, 0.036], "efficiency": 1.0}, "disc": {"confirmed": [], "name": "", "outer_diameter": 0.264, "thickness": 0.022, "ring_height": 0.046, "vane_gap": 0.008, "vane_fill": 0.2, "material": "grey iron", "weighed_mass": null}, "pad": {"confirmed": [], "name": "", "friction": 0.45, "height": 0.04, "length": 0.096, "inset": 0.0, "material": "resin-bonded"}}, "radius_school": "uniform wear", "pad_tolerance": 0.05}','','','2026-11-24 05:57:20.920201');
INSERT INTO "revision" VALUES('b7e53845ca1d438a948e8df217b1bf9f',1,1,'{"confirmed": [], "name": "As bought", "pedal": {"confirmed": [], "ratio": 5.0, "efficiency": 0.95}, "balance_bar": {"confirmed": [], "length": 0.064, "offset": 0.0, "thread_pitch": 0.00127}, "front": {"confirmed": [], "master_cylinder": {"confirmed": [], "name": "", "bore": 0.01778, "efficiency": 1.0}, "caliper": {"confirmed": [], "name": "", "mounting": "fixed", "pistons": [0.0381, 0.0413], "efficiency": 1.0}, "disc": {"confirmed": [], "name": "", "outer_diameter": 0.284, "thickness": 0.026, "ring_height": 0.054, "vane_gap": 0.01, "vane_fill": 0.2, "material": "grey iron", "weighed_mass": null}, "pad": {"confirmed": [], "name": "", "friction": 0.45, "height": 0.048, "length": 0.11, "inset": 0.0, "material": "resin-bonded"}}, "rear": {"confirmed": [], "master_cylinder": {"confirmed": [], "name": "", "bore": 0.01905, "efficiency": 1.0}, "caliper": {"confirmed": [], "name": "", "mounting": "fixed", "pistons": [0.036, 0.036], "efficiency": 1.0}, "disc": {"confirmed": [], "name": "", "outer_diameter": 0.264, "thickness": 0.022, "ring_height": 0.046, "vane_gap": 0.008, "vane_fill": 0.2, "material": "grey iron", "weighed_mass": null}, "pad": {"confirmed": [], "name": "", "friction": 0.45, "height": 0.04, "length": 0.096, "inset": 0.0, "material": "resin-bonded"}}, "radius_school": "uniform wear", "pad_tolerance": 0.05}','','','2026-11-24 05:57:20.922822');
INSERT INTO "revision" VALUES('a8e47ba8fd9a4bafaacf33033eea0518',1,1,'{"confirmed": [], "name": "Pipit", "mass": 620.0, "front_share": 0.39, "wheelbase": 2.25, "cg_height": 0.48, "front_tyre": {"confirmed": [], "friction": 0.65, "loaded_radius": 0.3}, "rear_tyre": {"confirmed": [], "friction": 0.7, "loaded_radius": 0.32}, "front_lift_area": 0.0, "rear_lift_area": 0.0, "top_speed": 36.0, "stop_to_speed": 8.0, "rotating_share": 0.03, "slip_share": 0.06, "driver": {"confirmed": [], "foot_force": 250.0, "foot_force_limit": 500.0}, "states": [{"confirmed": [], "name": "Gravel, dry", "grip": 1.0, "speed": 15.0, "air_density": 1.2}, {"confirmed": [], "name": "Gravel, wet", "grip": 0.8, "speed": 15.0, "air_density": 1.2}, {"confirmed": [], "name": "Mud", "grip": 0.5, "speed": 8.0, "air_density": 1.2}]}','','','2026-11-24 05:57:20.924492');
INSERT INTO "revision" VALUES('507bc3424e704994991808470a3c98e4',1,1,'{"confirmed": [], "name": "As built", "pedal": {"confirmed": [], "ratio": 5.0, "efficiency": 0.95}, "balance_bar": {"confirmed": [], "length": 0.058, "offset": 0.0, "thread_pitch": 0.00127}, "front": {"confirmed": [], "master_cylinder": {"confirmed": [], "name": "", "bore": 0.01778, "efficiency": 1.0}, "caliper": {"confirmed": [], "name": "", "mounting": "fixed", "pistons": [0.0318, 0.0318], "efficiency": 1.0}, "disc": {"confirmed": [], "name": "", "outer_diameter": 0.238, "thickness": 0.008, "ring_height": 0.042, "vane_gap": 0.0, "vane_fill": 0.2, "material": "grey iron", "weighed_mass": null}, "pad": {"confirmed": [], "name": "", "friction": 0.4, "height": 0.038, "length": 0.072, "inset": 0.0, "material": "resin-bonded"}}, "rear": {"confirmed": [], "master_cylinder": {"confirmed": [], "name": "", "bore": 0.01778, "efficiency": 1.0}, "caliper": {"confirmed": [], "name": "", "mounting": "fixed", "pistons": [0.0349, 0.0349], "efficiency": 1.0}, "disc": {"confirmed": [], "name": "", "outer_diameter": 0.228, "thickness": 0.008, "ring_height": 0.042, "vane_gap": 0.0, "vane_fill": 0.2, "material": "grey iron", "weighed_mass": null}, "pad": {"confirmed": [], "name": "", "friction": 0.4, "height": 0.038, "length": 0.072, "inset": 0.0, "material": "resin-bonded"}}, "radius_school": "uniform wear", "pad_tolerance": 0.05}','','','2026-11-24 05:57:20.926692');
CREATE INDEX record_by_parent ON record (parent_id);
CREATE TRIGGER revision_no_update before update on revision begin select raise(abort, 'a revision never changes'); end;
CREATE TRIGGER revision_no_delete before delete on revision begin select raise(abort, 'a revision never changes'); end;
COMMIT;
