PRAGMA foreign_keys=OFF;
BEGIN TRANSACTION;
CREATE TABLE alembic_version (
	version_num VARCHAR(32) NOT NULL, 
	CONSTRAINT alembic_version_pkc PRIMARY KEY (version_num)
);
INSERT INTO alembic_version VALUES('0006');
CREATE TABLE school_class (
	id INTEGER NOT NULL, 
	name VARCHAR NOT NULL, 
	hand VARCHAR NOT NULL, 
	ruling_top DOUBLE NOT NULL, 
	ruling_drop DOUBLE NOT NULL, 
	x_height_mm DOUBLE NOT NULL, choices JSON DEFAULT '{}' NOT NULL, slant_deg DOUBLE, width DOUBLE, branch DOUBLE, exit DOUBLE, ruling_kind VARCHAR DEFAULT 'four' NOT NULL, scheme VARCHAR DEFAULT 'movement' NOT NULL, stage VARCHAR DEFAULT 'developing' NOT NULL, language JSON DEFAULT '{}' NOT NULL, lesson_minutes INTEGER DEFAULT '20' NOT NULL, 
	CONSTRAINT pk_school_class PRIMARY KEY (id)
);
INSERT INTO school_class VALUES(1,'Heron class, Millbrook Lane','plain',1.8999999999999999111,-0.94999999999999995559,8.0,'{}',NULL,NULL,NULL,NULL,'four','movement','developing','{}',20);
CREATE TABLE pupil (
	id INTEGER NOT NULL, 
	class_id INTEGER NOT NULL, 
	name VARCHAR NOT NULL, 
	handedness VARCHAR NOT NULL, stage VARCHAR, 
	CONSTRAINT pk_pupil PRIMARY KEY (id), 
	CONSTRAINT ck_pupil_handedness CHECK (handedness IN ('left', 'right')), 
	CONSTRAINT fk_pupil_class_id FOREIGN KEY(class_id) REFERENCES school_class (id) ON DELETE CASCADE, 
	CONSTRAINT uq_pupil_class_id UNIQUE (class_id, name)
);
INSERT INTO pupil VALUES(1,1,'Anouk','right',NULL);
INSERT INTO pupil VALUES(2,1,'Bram','right',NULL);
INSERT INTO pupil VALUES(3,1,'Celia','left',NULL);
CREATE TABLE attempt (
	id INTEGER NOT NULL, 
	pupil_id INTEGER NOT NULL, 
	letter VARCHAR NOT NULL, 
	hand VARCHAR NOT NULL, 
	ruling_top DOUBLE NOT NULL, 
	ruling_drop DOUBLE NOT NULL, 
	help VARCHAR NOT NULL, 
	written_at DATETIME NOT NULL, 
	ink JSON NOT NULL, 
	reads_as VARCHAR NOT NULL, 
	way VARCHAR NOT NULL, 
	direction VARCHAR NOT NULL, 
	size VARCHAR NOT NULL, 
	shape VARCHAR NOT NULL, 
	say VARCHAR NOT NULL, 
	checker VARCHAR NOT NULL, stage VARCHAR DEFAULT 'developing' NOT NULL, 
	CONSTRAINT pk_attempt PRIMARY KEY (id), 
	CONSTRAINT fk_attempt_pupil_id FOREIGN KEY(pupil_id) REFERENCES pupil (id) ON DELETE CASCADE
);
INSERT INTO attempt VALUES(1,1,'r','plain',1.8999999999999999111,-0.94999999999999995559,'copy','2026-10-30 09:10:00.000000','[{"x": [-0.038, -0.034, -0.02, -0.028, -0.024, -0.031, -0.037, -0.035, -0.037, -0.035, -0.038, -0.041, -0.041, -0.043, -0.039, -0.037, -0.033, -0.036, -0.032, -0.025, -0.02, -0.015, -0.009, -0.005, -0.001, 0.004, 0.005, 0.015, 0.01, 0.006, 0.01, 0.012, 0.005, 0.002, -0.006, -0.01, -0.019, -0.017, -0.019, -0.011, -0.016, -0.021, -0.024, -0.022, -0.024, -0.015, -0.021, -0.021, -0.011, -0.008, -0.001, 0.013, 0.027, 0.033, 0.059, 0.075, 0.093, 0.124, 0.143, 0.17, 0.194, 0.228, 0.25, 0.277, 0.307, 0.329, 0.342, 0.373, 0.392, 0.407, 0.432, 0.449], "y": [0.97, 0.936, 0.883, 0.852, 0.798, 0.772, 0.722, 0.683, 0.632, 0.602, 0.543, 0.502, 0.474, 0.419, 0.391, 0.344, 0.307, 0.275, 0.242, 0.193, 0.153, 0.124, 0.097, 0.073, 0.04, 0.025, 0.004, 0.013, 0.034, 0.058, 0.087, 0.111, 0.149, 0.186, 0.227, 0.272, 0.318, 0.343, 0.383, 0.418, 0.472, 0.506, 0.547, 0.597, 0.637, 0.678, 0.704, 0.738, 0.772, 0.793, 0.815, 0.85, 0.879, 0.898, 0.923, 0.942, 0.958, 0.975, 0.986, 0.989, 1.005, 1.008, 1.003, 1.01, 1.0, 0.989, 0.985, 0.964, 0.941, 0.925, 0.897, 0.876], "t": [0.0, 0.016, 0.037, 0.049, 0.07, 0.081, 0.101, 0.116, 0.136, 0.15, 0.169, 0.185, 0.2, 0.222, 0.235, 0.255, 0.269, 0.286, 0.301, 0.32, 0.338, 0.353, 0.37, 0.388, 0.409, 0.424, 0.441, 0.457, 0.473, 0.488, 0.509, 0.526, 0.544, 0.557, 0.574, 0.592, 0.612, 0.625, 0.643, 0.657, 0.677, 0.691, 0.708, 0.729, 0.746, 0.763, 0.779, 0.797, 0.811, 0.829, 0.843, 0.865, 0.882, 0.897, 0.914, 0.932, 0.947, 0.966, 0.982, 1.0, 1.017, 1.033, 1.051, 1.066, 1.085, 1.102, 1.114, 1.135, 1.153, 1.167, 1.184, 1.201], "f": null}]','r','right','secure','secure','secure','Just right. Make the next one the same way.','3','developing');
INSERT INTO attempt VALUES(2,2,'r','plain',1.8999999999999999111,-0.94999999999999995559,'copy','2026-10-30 09:10:47.000000','[{"x": [-0.021, -0.018, -0.013, -0.011, -0.013, -0.009, -0.011, -0.008, -0.013, -0.013, -0.01, -0.014, -0.009, -0.016, -0.016, -0.02, -0.015, -0.015, -0.007, -0.011, -0.013, -0.011, -0.013, -0.015, -0.015, -0.014, -0.011, -0.012, -0.015, -0.012, -0.011, 0.003, -0.004, 0.001, 0.008, 0.003, 0.006, 0.003, 0.002, -0.001, -0.002, -0.011, -0.006, -0.007, -0.012, -0.012, -0.018, -0.019, -0.019, -0.022, -0.015, -0.013, -0.01, -0.023, -0.023, -0.028, -0.028, -0.033, -0.027, -0.031, -0.02, -0.023, -0.021, -0.019, -0.019, -0.012, -0.007, -0.002, 0.004, 0.01, 0.014, 0.022, 0.026, 0.035, 0.046, 0.056, 0.068, 0.085, 0.098, 0.112, 0.134, 0.15, 0.17, 0.183, 0.199, 0.218, 0.246, 0.26, 0.284, 0.299, 0.328, 0.344, 0.364, 0.387, 0.406, 0.419, 0.434, 0.448, 0.469, 0.475, 0.494, 0.501, 0.517], "y": [1.016, 0.98, 0.954, 0.933, 0.899, 0.876, 0.852, 0.829, 0.795, 0.769, 0.738, 0.703, 0.674, 0.653, 0.619, 0.593, 0.56, 0.544, 0.51, 0.476, 0.448, 0.422, 0.389, 0.369, 0.34, 0.308, 0.286, 0.255, 0.232, 0.202, 0.182, 0.148, 0.131, 0.11, 0.092, 0.075, 0.058, 0.044, 0.033, 0.031, 0.052, 0.064, 0.084, 0.101, 0.123, 0.136, 0.16, 0.185, 0.22, 0.242, 0.265, 0.294, 0.329, 0.359, 0.394, 0.42, 0.442, 0.471, 0.491, 0.518, 0.546, 0.566, 0.6, 0.618, 0.643, 0.669, 0.694, 0.712, 0.742, 0.759, 0.788, 0.801, 0.818, 0.845, 0.857, 0.878, 0.89, 0.9, 0.914, 0.934, 0.942, 0.955, 0.97, 0.978, 0.983, 0.991, 0.994, 0.999, 1.004, 1.01, 1.011, 1.012, 1.014, 1.016, 1.016, 1.007, 1.003, 0.995, 0.985, 0.98, 0.965, 0.953, 0.936], "t": [0.0, 0.019, 0.037, 0.05, 0.07, 0.083, 0.098, 0.116, 0.133, 0.152, 0.17, 0.186, 0.2, 0.216, 0.234, 0.253, 0.271, 0.283, 0.301, 0.322, 0.336, 0.352, 0.372, 0.385, 0.405, 0.418, 0.436, 0.453, 0.47, 0.488, 0.501, 0.52, 0.533, 0.554, 0.57, 0.584, 0.604, 0.619, 0.637, 0.654, 0.672, 0.688, 0.705, 0.724, 0.738, 0.753, 0.77, 0.787, 0.806, 0.824, 0.835, 0.852, 0.87, 0.888, 0.907, 0.925, 0.941, 0.959, 0.969, 0.99, 1.009, 1.022, 1.042, 1.058, 1.071, 1.089, 1.106, 1.122, 1.143, 1.154, 1.175, 1.191, 1.204, 1.225, 1.238, 1.256, 1.271, 1.289, 1.306, 1.325, 1.344, 1.359, 1.375, 1.389, 1.406, 1.425, 1.442, 1.457, 1.476, 1.495, 1.509, 1.527, 1.541, 1.562, 1.578, 1.592, 1.609, 1.625, 1.645, 1.66, 1.675, 1.692, 1.71], "f": null}]','r','right','secure','secure','secure','Just right. Make the next one the same way.','3','developing');
INSERT INTO attempt VALUES(3,3,'r','plain',1.8999999999999999111,-0.94999999999999995559,'copy','2026-10-30 09:11:34.000000','[{"x": [0.026, 0.018, 0.012, -0.001, -0.006, -0.004, 0.005, -0.001, -0.002, -0.002, -0.013, -0.011, -0.02, -0.023, -0.032, -0.038, -0.021, -0.021, -0.01, 0.015, 0.039, 0.094, 0.133, 0.199, 0.277, 0.324, 0.389, 0.45, 0.526, 0.593, 0.649], "y": [1.003, 0.903, 0.788, 0.712, 0.621, 0.522, 0.416, 0.324, 0.202, 0.126, 0.068, 0.047, 0.118, 0.172, 0.269, 0.364, 0.441, 0.559, 0.618, 0.713, 0.75, 0.829, 0.859, 0.911, 0.955, 0.978, 0.987, 0.99, 0.966, 0.917, 0.883], "t": [0.0, 0.031, 0.072, 0.098, 0.133, 0.169, 0.207, 0.241, 0.284, 0.318, 0.353, 0.378, 0.42, 0.449, 0.487, 0.524, 0.553, 0.596, 0.622, 0.667, 0.692, 0.736, 0.76, 0.798, 0.841, 0.869, 0.902, 0.933, 0.979, 1.014, 1.043], "f": null}]','r','right','secure','secure','secure','Just right. Make the next one the same way.','3','developing');
INSERT INTO attempt VALUES(12,1,'n','plain',1.8999999999999999111,-0.94999999999999995559,'copy','2026-11-04 09:10:00.000000','[{"x": [-0.062, -0.056, -0.045, -0.047, -0.043, -0.034, -0.022, -0.027, -0.026, -0.023, -0.014, -0.012, -0.008, -0.011, -0.011, -0.011, -0.019, -0.012, -0.019, -0.016, -0.014, -0.012, -0.014, -0.006, -0.013, -0.006, -0.009, 0.001, 0.003, -0.003, 0.002, -0.001, -0.001, -0.002, 0.003, -0.003, 0.009, -0.001, -0.006, -0.004, -0.02, -0.009, -0.02, -0.019, -0.018, -0.015, -0.023, -0.03, -0.023, -0.021, -0.017, -0.003, 0.015, 0.027, 0.042, 0.053, 0.08, 0.104, 0.118, 0.15, 0.181, 0.212, 0.231, 0.264, 0.296, 0.319, 0.345, 0.369, 0.406, 0.432, 0.463, 0.483, 0.511, 0.52, 0.543, 0.553, 0.574, 0.585, 0.599, 0.615, 0.619, 0.628, 0.635, 0.64, 0.654, 0.66, 0.658, 0.67, 0.67, 0.673, 0.674, 0.675, 0.687, 0.681, 0.693, 0.696, 0.712, 0.712, 0.715, 0.721], "y": [1.009, 0.98, 0.936, 0.904, 0.865, 0.829, 0.784, 0.746, 0.715, 0.657, 0.612, 0.572, 0.536, 0.489, 0.461, 0.421, 0.364, 0.323, 0.27, 0.238, 0.188, 0.154, 0.12, 0.089, 0.058, 0.034, 0.013, -0.003, 0.001, 0.024, 0.047, 0.069, 0.092, 0.128, 0.161, 0.205, 0.236, 0.281, 0.313, 0.355, 0.406, 0.448, 0.486, 0.532, 0.572, 0.612, 0.649, 0.674, 0.704, 0.73, 0.759, 0.789, 0.81, 0.843, 0.869, 0.888, 0.914, 0.926, 0.942, 0.952, 0.968, 0.978, 0.983, 0.996, 0.997, 1.003, 0.995, 0.993, 0.992, 0.979, 0.969, 0.958, 0.946, 0.919, 0.898, 0.874, 0.847, 0.82, 0.795, 0.765, 0.734, 0.701, 0.68, 0.635, 0.599, 0.56, 0.508, 0.477, 0.443, 0.403, 0.36, 0.308, 0.278, 0.227, 0.195, 0.146, 0.093, 0.066, 0.03, -0.018], "t": [0.0, 0.015, 0.033, 0.048, 0.069, 0.083, 0.1, 0.117, 0.132, 0.151, 0.17, 0.188, 0.203, 0.221, 0.236, 0.25, 0.272, 0.287, 0.307, 0.322, 0.339, 0.356, 0.371, 0.388, 0.408, 0.425, 0.442, 0.455, 0.471, 0.49, 0.507, 0.523, 0.538, 0.56, 0.574, 0.593, 0.607, 0.626, 0.639, 0.656, 0.678, 0.693, 0.709, 0.727, 0.742, 0.761, 0.78, 0.794, 0.811, 0.825, 0.842, 0.863, 0.876, 0.898, 0.912, 0.927, 0.947, 0.966, 0.977, 0.994, 1.014, 1.029, 1.045, 1.065, 1.084, 1.099, 1.115, 1.131, 1.152, 1.163, 1.186, 1.199, 1.22, 1.235, 1.253, 1.267, 1.285, 1.304, 1.316, 1.338, 1.35, 1.368, 1.383, 1.4, 1.417, 1.436, 1.455, 1.472, 1.484, 1.501, 1.519, 1.54, 1.552, 1.574, 1.588, 1.609, 1.625, 1.64, 1.653, 1.673], "f": null}]','n','right','secure','secure','secure','Just right. Make the next one the same way.','3','developing');
INSERT INTO attempt VALUES(13,2,'n','plain',1.8999999999999999111,-0.94999999999999995559,'copy','2026-11-04 09:10:47.000000','[{"x": [0.029, 0.024, 0.015, 0.013, 0.011, 0.006, 0.008, 0.005, 0.003, -0.002, 0.0, -0.009, -0.011, -0.004, -0.007, -0.007, -0.007, -0.004, -0.009, -0.004, -0.007, -0.003, 0.0, -0.002, 0.01, 0.003, 0.009, 0.016, 0.024, 0.033, 0.043, 0.049, 0.06, 0.068, 0.084, 0.098, 0.111, 0.123, 0.139, 0.155, 0.175, 0.187, 0.21, 0.219, 0.245, 0.265, 0.289, 0.311, 0.321, 0.344, 0.36, 0.375, 0.405, 0.431, 0.443, 0.469, 0.484, 0.497, 0.513, 0.536, 0.561, 0.568, 0.59, 0.605, 0.613, 0.631, 0.635, 0.658, 0.66, 0.672, 0.685, 0.688, 0.694, 0.701, 0.709, 0.714, 0.715, 0.719, 0.727, 0.725, 0.73, 0.723, 0.725, 0.726, 0.736, 0.737, 0.736, 0.747, 0.753, 0.755, 0.758, 0.765, 0.767, 0.771, 0.769, 0.779, 0.777, 0.775, 0.777, 0.776], "y": [0.029, 0.055, 0.087, 0.104, 0.132, 0.165, 0.188, 0.221, 0.258, 0.291, 0.311, 0.341, 0.369, 0.398, 0.427, 0.455, 0.489, 0.513, 0.543, 0.564, 0.6, 0.621, 0.654, 0.676, 0.7, 0.727, 0.741, 0.762, 0.786, 0.798, 0.818, 0.844, 0.857, 0.872, 0.89, 0.898, 0.922, 0.933, 0.945, 0.955, 0.963, 0.978, 0.981, 0.987, 0.989, 0.997, 0.996, 0.998, 0.996, 0.995, 0.993, 0.986, 0.986, 0.978, 0.976, 0.962, 0.957, 0.951, 0.931, 0.919, 0.903, 0.894, 0.875, 0.869, 0.855, 0.833, 0.82, 0.792, 0.778, 0.753, 0.734, 0.716, 0.692, 0.673, 0.643, 0.62, 0.611, 0.576, 0.554, 0.527, 0.501, 0.473, 0.437, 0.42, 0.379, 0.349, 0.336, 0.302, 0.264, 0.249, 0.209, 0.187, 0.166, 0.133, 0.109, 0.082, 0.046, 0.022, -0.003, -0.018], "t": [0.0, 0.015, 0.035, 0.048, 0.065, 0.083, 0.099, 0.118, 0.136, 0.154, 0.167, 0.183, 0.203, 0.216, 0.235, 0.251, 0.272, 0.287, 0.304, 0.318, 0.337, 0.352, 0.371, 0.387, 0.403, 0.422, 0.439, 0.455, 0.473, 0.487, 0.502, 0.522, 0.537, 0.556, 0.572, 0.586, 0.605, 0.621, 0.637, 0.655, 0.674, 0.688, 0.705, 0.723, 0.737, 0.759, 0.775, 0.793, 0.804, 0.827, 0.841, 0.855, 0.874, 0.895, 0.906, 0.926, 0.94, 0.958, 0.973, 0.992, 1.012, 1.027, 1.045, 1.06, 1.075, 1.094, 1.109, 1.129, 1.144, 1.162, 1.18, 1.195, 1.211, 1.229, 1.247, 1.264, 1.276, 1.298, 1.314, 1.33, 1.348, 1.361, 1.38, 1.396, 1.414, 1.432, 1.443, 1.467, 1.483, 1.494, 1.517, 1.529, 1.545, 1.566, 1.578, 1.596, 1.618, 1.634, 1.651, 1.665], "f": null}]','n','from the foot','not_yet','secure','secure','Start at the mid line: straight down, then back up the same line.','3','developing');
CREATE TABLE finding (
	id INTEGER NOT NULL, 
	attempt_id INTEGER NOT NULL, 
	position INTEGER NOT NULL, 
	code VARCHAR NOT NULL, 
	severity VARCHAR NOT NULL, 
	stroke INTEGER NOT NULL, 
	move INTEGER NOT NULL, 
	measure DOUBLE NOT NULL, 
	"limit" DOUBLE NOT NULL, 
	unit VARCHAR NOT NULL, 
	note VARCHAR NOT NULL, 
	say VARCHAR NOT NULL, 
	other VARCHAR, 
	CONSTRAINT pk_finding PRIMARY KEY (id), 
	CONSTRAINT fk_finding_attempt_id FOREIGN KEY(attempt_id) REFERENCES attempt (id) ON DELETE CASCADE
);
INSERT INTO finding VALUES(5,13,0,'start_place','not_yet',0,0,-0.9659999999999999698,0.34999999999999997779,'u','Started at the base line; n starts at the mid line.','Start at the mid line: straight down, then back up the same line.',NULL);
CREATE TABLE judgement (
	attempt_id INTEGER NOT NULL, 
	made_at DATETIME NOT NULL, 
	direction VARCHAR, 
	size VARCHAR, 
	shape VARCHAR, 
	note VARCHAR NOT NULL, 
	CONSTRAINT pk_judgement PRIMARY KEY (attempt_id), 
	CONSTRAINT fk_judgement_attempt_id FOREIGN KEY(attempt_id) REFERENCES attempt (id) ON DELETE CASCADE
);
INSERT INTO judgement VALUES(12,'2026-11-01 10:00:00.000000','secure',NULL,NULL,'I saw it');
CREATE TABLE own_hand (
	id INTEGER NOT NULL, 
	class_id INTEGER NOT NULL, 
	name VARCHAR NOT NULL, 
	package VARCHAR NOT NULL, 
	CONSTRAINT pk_own_hand PRIMARY KEY (id), 
	CONSTRAINT fk_own_hand_class_id FOREIGN KEY(class_id) REFERENCES school_class (id) ON DELETE CASCADE, 
	CONSTRAINT uq_own_hand_class_id UNIQUE (class_id, name)
);
CREATE TABLE own_scheme (
	id INTEGER NOT NULL, 
	class_id INTEGER NOT NULL, 
	data JSON NOT NULL, 
	CONSTRAINT pk_own_scheme PRIMARY KEY (id), 
	CONSTRAINT fk_own_scheme_class_id FOREIGN KEY(class_id) REFERENCES school_class (id) ON DELETE CASCADE
);
CREATE TABLE own_words (
	id INTEGER NOT NULL, 
	class_id INTEGER NOT NULL, 
	hand VARCHAR NOT NULL, 
	"key" VARCHAR NOT NULL, 
	letter VARCHAR, 
	stroke INTEGER, 
	move INTEGER, 
	words VARCHAR NOT NULL, 
	CONSTRAINT pk_own_words PRIMARY KEY (id), 
	CONSTRAINT fk_own_words_class_id FOREIGN KEY(class_id) REFERENCES school_class (id) ON DELETE CASCADE
);
INSERT INTO own_words VALUES(1,1,'plain','back',NULL,NULL,NULL,'climb up again');
CREATE TABLE taught_letter (
	class_id INTEGER NOT NULL, 
	letter VARCHAR NOT NULL, 
	since DATE NOT NULL, 
	CONSTRAINT pk_taught_letter PRIMARY KEY (class_id, letter), 
	CONSTRAINT fk_taught_letter_class_id FOREIGN KEY(class_id) REFERENCES school_class (id) ON DELETE CASCADE
);
INSERT INTO taught_letter VALUES(1,'a','2026-10-30');
INSERT INTO taught_letter VALUES(1,'b','2026-10-30');
INSERT INTO taught_letter VALUES(1,'c','2026-10-30');
INSERT INTO taught_letter VALUES(1,'d','2026-10-30');
INSERT INTO taught_letter VALUES(1,'e','2026-10-30');
INSERT INTO taught_letter VALUES(1,'f','2026-10-30');
INSERT INTO taught_letter VALUES(1,'g','2026-10-30');
INSERT INTO taught_letter VALUES(1,'h','2026-10-30');
INSERT INTO taught_letter VALUES(1,'m','2026-10-30');
INSERT INTO taught_letter VALUES(1,'n','2026-10-30');
INSERT INTO taught_letter VALUES(1,'o','2026-10-30');
INSERT INTO taught_letter VALUES(1,'p','2026-10-30');
INSERT INTO taught_letter VALUES(1,'q','2026-10-30');
INSERT INTO taught_letter VALUES(1,'r','2026-10-30');
INSERT INTO taught_letter VALUES(1,'s','2026-10-30');
CREATE TABLE own_word (
	class_id INTEGER NOT NULL, 
	noted VARCHAR NOT NULL, 
	CONSTRAINT pk_own_word PRIMARY KEY (class_id, noted), 
	CONSTRAINT fk_own_word_class_id FOREIGN KEY(class_id) REFERENCES school_class (id) ON DELETE CASCADE
);
CREATE TABLE lesson (
	id INTEGER NOT NULL, 
	class_id INTEGER NOT NULL, 
	day DATE NOT NULL, 
	"plan" JSON NOT NULL, 
	at INTEGER DEFAULT '0' NOT NULL, 
	given_at DATETIME, written JSON DEFAULT '{}' NOT NULL, 
	CONSTRAINT pk_lesson PRIMARY KEY (id), 
	CONSTRAINT fk_lesson_class_id FOREIGN KEY(class_id) REFERENCES school_class (id) ON DELETE CASCADE
);
INSERT INTO lesson VALUES(1,1,'2026-11-24','{"new": ["n"], "minutes": 20, "steps": [{"kind": "settle", "minutes": 1.0, "skipped": false, "note": ""}, {"kind": "date", "minutes": 1.5, "skipped": false, "note": ""}, {"kind": "look_back", "minutes": 1.5, "skipped": false, "note": ""}, {"kind": "family", "minutes": 1.0, "skipped": false, "note": ""}, {"kind": "show", "minutes": 2.0, "skipped": false, "note": ""}, {"kind": "slips", "minutes": 1.5, "skipped": false, "note": ""}, {"kind": "big", "minutes": 1.0, "skipped": false, "note": ""}, {"kind": "own", "minutes": 3.0, "skipped": false, "note": ""}, {"kind": "best", "minutes": 1.0, "skipped": false, "note": ""}, {"kind": "words", "minutes": 2.5, "skipped": false, "note": ""}, {"kind": "sentence", "minutes": 2.0, "skipped": false, "note": ""}, {"kind": "close", "minutes": 1.0, "skipped": false, "note": ""}, {"kind": "home", "minutes": 1.0, "skipped": false, "note": ""}], "look_back": ["m", "r", "a", "b"], "words": ["nap", "and", "an", "spanner"], "sentence": "Sam has a map."}',0,'2026-11-24 09:30:00.000000','{}');
INSERT INTO lesson VALUES(2,1,'2026-11-23','{"new": ["b"], "minutes": 20, "steps": [{"kind": "settle", "minutes": 1.0, "skipped": false, "note": ""}, {"kind": "date", "minutes": 1.5, "skipped": false, "note": ""}, {"kind": "look_back", "minutes": 1.5, "skipped": false, "note": ""}, {"kind": "family", "minutes": 1.0, "skipped": false, "note": ""}, {"kind": "show", "minutes": 2.0, "skipped": false, "note": ""}, {"kind": "slips", "minutes": 1.5, "skipped": false, "note": ""}, {"kind": "big", "minutes": 1.0, "skipped": false, "note": ""}, {"kind": "own", "minutes": 3.0, "skipped": false, "note": ""}, {"kind": "best", "minutes": 1.0, "skipped": false, "note": ""}, {"kind": "words", "minutes": 2.5, "skipped": false, "note": ""}, {"kind": "sentence", "minutes": 2.0, "skipped": false, "note": ""}, {"kind": "close", "minutes": 1.0, "skipped": false, "note": ""}, {"kind": "home", "minutes": 1.0, "skipped": false, "note": ""}], "look_back": ["n", "m", "r", "a"], "words": ["bad", "oboe", "cab", "ebb"], "sentence": "Sam has a map."}',3,'2026-11-23 09:30:00.000000','{"show": [{"x": [0.5, 0.5], "y": [1.0, 0.0], "t": [2.0, 2.25], "f": null}]}');
CREATE INDEX ix_attempt_letter_written_at ON attempt (letter, written_at);
CREATE INDEX ix_finding_attempt_id ON finding (attempt_id);
CREATE INDEX ix_finding_code ON finding (code);
CREATE INDEX ix_own_scheme_class_id ON own_scheme (class_id);
CREATE INDEX ix_own_words_class_id_hand ON own_words (class_id, hand);
CREATE INDEX ix_lesson_class_id_day ON lesson (class_id, day);
CREATE INDEX ix_attempt_pupil_id_letter_written_at ON attempt (pupil_id, letter, written_at);
COMMIT;
