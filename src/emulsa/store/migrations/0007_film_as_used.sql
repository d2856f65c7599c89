-- A pinhole's own times by sky; what the meter is set to in a scene, other than its record says.

ALTER TABLE pinhole ADD COLUMN leaflet TEXT CHECK (leaflet IS NULL OR json_valid(leaflet));
ALTER TABLE scene ADD COLUMN meter_iso REAL CHECK (meter_iso > 0);
ALTER TABLE scene ADD COLUMN meter_held_stops REAL;
