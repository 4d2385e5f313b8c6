-- A row of the trail is not written over either: `INSERT OR REPLACE` removes the old one without asking the trigger for that.
CREATE TRIGGER trail_not_replaced BEFORE INSERT ON trail WHEN EXISTS (SELECT 1 FROM trail WHERE number = new.number) BEGIN SELECT raise(ABORT, 'The trail is only added to.'); END;
