-- A pinhole's own times by sky; what the meter is set to in a scene, other than its record says.

ALTER TABLE pinhole ADD COLUMN leaflet TEXT CHECK (leaflet IS NULL OR json_valid(leaflet));
ALTER TABLE scene ADD COLUMN meter_iso REAL CHECK (meter_iso > 0);
ALTER TABLE scene ADD COLUMN meter_held_stops REAL;

-- A film's box speed beside one's own EI; what a strip is developed as rated at; reels of a tank.
ALTER TABLE film ADD COLUMN box_speed REAL CHECK (box_speed > 0);
ALTER TABLE strip ADD COLUMN exposure_index REAL CHECK (exposure_index > 0);
ALTER TABLE tank ADD COLUMN holds_rolls INTEGER CHECK (holds_rolls BETWEEN 0 AND 40);
