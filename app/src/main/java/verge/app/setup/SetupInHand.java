package verge.app.setup;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import verge.core.coding.PointName;
import verge.core.reading.InstrumentPrecision;
import verge.core.setup.FaceShot;
import verge.core.setup.Sighting;

/**
 * A setup under way: what was typed, what was read. Kept so that a reload or a restart loses nothing.
 *
 * @param instrument model and serial number; empty until something was read
 * @param upsets the instrument's count then
 * @param precision what the instrument states of itself; null until something was read
 */
record SetupInHand(SetupForm form, List<Sighting> sightings, List<FaceShot> faceShots, String instrument, long upsets,
        InstrumentPrecision precision) {
    static final SetupInHand NOTHING = new SetupInHand(new SetupForm(Map.of()), List.of(), List.of(), "", 0, null);

    SetupInHand {
        sightings = List.copyOf(sightings);
        faceShots = List.copyOf(faceShots);
    }

    SetupInHand with(SetupForm other) {
        return new SetupInHand(other, sightings, faceShots, instrument, upsets, precision);
    }

    SetupInHand withSightings(List<Sighting> other) {
        return new SetupInHand(form, other, faceShots, instrument, upsets, precision);
    }

    SetupInHand withFaceShots(List<FaceShot> other) {
        return new SetupInHand(form, sightings, other, instrument, upsets, precision);
    }

    SetupInHand by(String title, long count, InstrumentPrecision states) {
        return new SetupInHand(form, sightings, faceShots, title, count, states);
    }

    /** A mark that was read before is read anew, in its place. */
    SetupInHand read(Sighting sighting) {
        List<Sighting> more = new ArrayList<>(sightings);
        int before = index(sighting.mark());
        if (before >= 0) {
            more.set(before, sighting.with(sightings.get(before).use()));
        } else {
            more.add(sighting);
        }
        return withSightings(more);
    }

    private int index(PointName mark) {
        for (int i = 0; i < sightings.size(); i++) {
            if (sightings.get(i).mark().equals(mark)) {
                return i;
            }
        }
        return -1;
    }

    boolean anythingRead() {
        return !sightings.isEmpty() || !faceShots.isEmpty();
    }
}
