package verge.instruments.standin;

import java.io.IOException;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneOffset;
import java.time.format.DateTimeFormatter;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.Random;
import java.util.Set;
import java.util.function.Predicate;
import java.util.function.Supplier;
import java.util.regex.Pattern;
import verge.core.geodesy.EarthCentred;
import verge.core.geodesy.EarthPlace;
import verge.core.geodesy.ReferenceEllipsoid;
import verge.core.satellite.PoleTilt;
import verge.core.satellite.SatelliteSystem;
import verge.core.satellite.Sight;
import verge.core.units.Angle;
import verge.instruments.receiver.ReceiverCondition.Writing;
import verge.instruments.receiver.ReceiverCondition;
import verge.instruments.receiver.ReceiverCondition.Hears;
import verge.instruments.receiver.ReceiverCondition.Leaning;
import verge.instruments.receiver.ReceiverCondition.Power;
import verge.instruments.receiver.ReceiverCondition.Radio;
import verge.instruments.receiver.ReceiverCondition.Role;
import verge.instruments.receiver.ReceiverCondition.Storage;
import verge.instruments.receiver.ReceiverCondition.TiltState;
import verge.instruments.receiver.ReceiverWords;
import verge.instruments.sky.BaseStream;

/**
 * What a simulated receiver is besides its solutions: how it is set, its battery, card, antenna and radio, and the sensor of its pole's
 * lean.
 */
final class ReceiverBody {
    static final String ANTENNA = "TERNHOLM DISH   NONE";
    private static final double FULL_HOURS = 9;
    private static final double SENDING_HOURS = 5;
    private static final double MEGABYTE = 1e6;
    private static final double SECONDS_AN_HOUR = 3_600;
    private static final Pattern FILE = Pattern.compile("[A-Za-z0-9._-]{1,40}");
    private static final int LONGEST_STEP = 60;
    private static final DateTimeFormatter OWN_NAME = DateTimeFormatter.ofPattern("yyyyMMdd-HHmmss").withZone(ZoneOffset.UTC);
    /** So far it has to be carried until its sensor knows the lean. */
    private static final double WALK_METRES = 3;
    private static final double LEAN_SIGMA = 0.12;
    private static final double LEAN_SIGMA_PER_DEGREE = 0.012;
    private static final double TURN_SIGMA = 0.8;
    private static final int HIGHEST_MASK = 60;
    private static final List<String> MODULATIONS = List.of("GMSK", "4FSK");

    private final Supplier<Standing> standing;
    private final Random random;
    private final Instant began = Instant.now();
    private Role role;
    private double mask = 10;
    private Set<SatelliteSystem> systems = EnumSet.allOf(SatelliteSystem.class);
    private int battery = -1;
    private final Card card;
    private Optional<Session> session = Optional.empty();
    private boolean antenna = true;
    private boolean tilting;
    private EarthPlace tiltFrom;
    private double walked;
    private double leanOff;
    private double turnOff;
    private Radio radio = new Radio(441.5, 12.5, "GMSK", OptionalDouble.of(1), Hears.NOTHING);
    private boolean initialise;
    private Optional<EarthCentred> says = Optional.empty();
    private Sends sends = new Sends(BaseStream.FULL, 1);

    /** What a base sends. @param kind of its observation messages @param seconds from one to the next */
    record Sends(int kind, int seconds) {
        Sends {
            if (kind != 4 && kind != 7 || seconds < 1 || seconds > 10) {
                throw new IllegalArgumentException(kind + " each " + seconds + " s");
            }
        }
    }

    /**
     * How it truly stands.
     *
     * @param reference of its antenna
     * @param open whether a sight is not behind anything
     * @param tilt true one of its pole, in degrees
     * @param towards true azimuth of that
     */
    record Standing(EarthPlace reference, Predicate<Sight> open, double tilt, double towards) {
    }

    /**
     * What is written now.
     *
     * @param seconds from one epoch to the next
     * @param began how large the file was when it was begun or taken up again
     */
    private static final class Session {
        private final String file;
        private final int seconds;
        private final long began;
        private long epochs;
        private int satellites;
        private int slips;

        Session(String file, int seconds, long began) {
            this.file = file;
            this.seconds = seconds;
            this.began = began;
        }
    }

    ReceiverBody(Role role, Supplier<Standing> standing, long seed) throws IOException {
        this.role = role;
        this.standing = standing;
        random = new Random(seed);
        card = new Card(this::alive);
    }

    Standing standing() {
        return standing.get();
    }

    synchronized Role role() {
        return role;
    }

    synchronized Set<SatelliteSystem> systems() {
        return systems;
    }

    synchronized boolean uses(Sight sight, Standing now) {
        return antenna && sight.elevation().degrees() >= mask && now.open().test(sight);
    }

    /** Whether it has a battery to speak with. */
    synchronized boolean alive() {
        return percent() > 0;
    }

    synchronized void battery(int percent) {
        battery = percent;
        if (percent == 0) {   // whoever has no power writes nothing, and does not know later what it did
            session = Optional.empty();
            role = Role.ROVER;
        }
    }

    /** @param megabytes free from now on; below nought it is taken out */
    synchronized void card(double megabytes) {
        card.free(megabytes);
        session = card.isIn() ? session : Optional.empty();
    }

    Card card() {
        return card;
    }

    /** From one epoch of raw observations to the next; empty while none are written. */
    synchronized OptionalInt writesEach() {
        return session.filter(s -> alive()).map(s -> OptionalInt.of(s.seconds)).orElse(OptionalInt.empty());
    }

    /** Which session it is: another one for each beginning. */
    synchronized Object writes() {
        return session.orElse(null);
    }

    /** Writes an epoch down; a card that is full ends the session. */
    synchronized void write(byte[] epoch, int satellites, int slips) {
        session.ifPresent(s -> {
            if (card.write(s.file, epoch)) {
                s.epochs++;
                s.satellites = satellites;
                s.slips = slips;
            } else {
                session = Optional.empty();
            }
        });
    }

    synchronized void antenna(boolean on) {
        antenna = on;
    }

    /** Whether it was asked to fix anew since this was asked. */
    synchronized boolean takeInitialise() {
        boolean was = initialise;
        initialise = false;
        return was;
    }

    /** Where it says that it stands, as a base. */
    synchronized Optional<EarthCentred> says() {
        return role == Role.BASE ? says : Optional.empty();
    }

    synchronized Sends sends() {
        return sends;
    }

    synchronized Radio radio() {
        return radio;
    }

    private double hours() {
        return Duration.between(began, Instant.now()).toMillis() / 3_600_000.0;
    }

    private int percent() {
        return battery >= 0 ? battery : Math.max(1, (int) Math.round(87 - 100 * hours() / whole()));
    }

    private double whole() {
        return role == Role.BASE ? SENDING_HOURS : FULL_HOURS;
    }

    synchronized ReceiverCondition condition(Hears hears) {
        Optional<Storage> storage = card.isIn()
                ? Optional.of(new Storage(card.free(), Card.WHOLE_MEGABYTES, session.isPresent(), hoursOfCard())) : Optional.empty();
        return new ReceiverCondition(role, Angle.ofDegrees(mask), systems,
                Optional.of(new Power(percent(), OptionalDouble.of(percent() / 100.0 * whole()))), antenna ? ANTENNA : "", storage,
                leaning(),
                Optional.of(new Radio(radio.megahertz(), radio.kilohertzApart(), radio.modulation(), radio.watts(), hears)),
                session.map(s -> new Writing(s.file, s.seconds, s.epochs, s.satellites, s.slips, card.size(s.file))),
                OptionalInt.of(card.port()));
    }

    /** As fast as it was written until now. */
    private OptionalDouble hoursOfCard() {
        return session.filter(s -> s.epochs > 0)
                .map(s -> OptionalDouble.of(card.free() * MEGABYTE / (card.size(s.file) - s.began) * s.epochs * s.seconds
                / SECONDS_AN_HOUR)).orElse(OptionalDouble.empty());
    }

    /** As its sensor has it: known only when it was carried some way, with an error that grows with the lean. */
    synchronized Leaning leaning() {
        if (!tilting) {
            return Leaning.OFF;
        }
        Standing now = standing.get();
        walked += metres(tiltFrom, now.reference());
        tiltFrom = now.reference();
        if (walked < WALK_METRES) {
            return new Leaning(TiltState.WALK, Optional.empty());
        }
        double sigma = LEAN_SIGMA + LEAN_SIGMA_PER_DEGREE * now.tilt();
        double lean = Math.min(75, Math.abs(now.tilt() + sigma * leanOff));
        return new Leaning(TiltState.READY,
                Optional.of(new PoleTilt(Angle.ofDegrees(lean), Angle.ofDegrees(now.towards() + TURN_SIGMA * turnOff).wholeCircle(),
                Angle.ofDegrees(sigma), Angle.ofDegrees(TURN_SIGMA))));
    }

    private static double metres(EarthPlace one, EarthPlace other) {
        return EarthCentred.of(one, ReferenceEllipsoid.WGS84).minus(EarthCentred.of(other, ReferenceEllipsoid.WGS84)).length();
    }

    /** @return why not, or empty if it was done */
    synchronized String set(ReceiverWords.Asked asked) {
        List<String> v = asked.values();
        return switch (asked.what()) {
            case "ROLE" -> role(Role.valueOf(v.get(0)));
            case "MASK" -> mask(Double.parseDouble(v.get(0)));
            case "SYSTEMS" -> systems(ReceiverWords.systems(v.get(0)));
            case "TILT" -> tilt(v.get(0).equals("1"));
            case "INITIALISE" -> {
                initialise = true;
                yield "";
            }
            case "LOG" -> session(v.get(0).equals("1") ? OWN_NAME.format(Instant.now()) : "", 1);
            case "SESSION" -> session(v.get(0), v.get(0).isEmpty() ? 1 : Integer.parseInt(v.get(1)));
            case "RADIO" -> radio(new Radio(Double.parseDouble(v.get(0)), Double.parseDouble(v.get(1)), v.get(2),
                    OptionalDouble.of(Double.parseDouble(v.get(3))), Hears.NOTHING));
            case "SENDS" -> {
                sends = new Sends(Integer.parseInt(v.get(0)), Integer.parseInt(v.get(1)));
                yield "";
            }
            case "PLACE" -> {
                says = Optional.of(new EarthCentred(Double.parseDouble(v.get(0)), Double.parseDouble(v.get(1)),
                        Double.parseDouble(v.get(2))));
                yield "";
            }
            default -> "it does not know " + asked.what();
        };
    }

    private String role(Role other) {
        if (other == Role.BASE && says.isEmpty()) {
            return "a base has to be told its place first";
        }
        role = other;
        return "";
    }

    private String mask(double degrees) {
        if (!(degrees >= 0 && degrees <= HIGHEST_MASK)) {
            return "the mask goes from 0 to " + HIGHEST_MASK;
        }
        mask = degrees;
        return "";
    }

    private String systems(Set<SatelliteSystem> others) {
        if (others.isEmpty()) {
            return "one system at least is needed";
        }
        systems = others;
        return "";
    }

    private String tilt(boolean on) {
        tilting = on;
        walked = 0;
        tiltFrom = standing.get().reference();
        leanOff = random.nextGaussian();
        turnOff = random.nextGaussian();
        return "";
    }

    /** @param file behind which it goes on if it is there already; empty to end */
    private String session(String file, int seconds) {
        if (file.isEmpty()) {
            session = Optional.empty();
            return "";
        }
        if (!FILE.matcher(file).matches() || seconds < 1 || seconds > LONGEST_STEP) {
            return "no file can be called so, or it is not written so often";
        }
        if (!card.isIn() || card.free() <= 0) {
            return card.isIn() ? "the card is full" : "there is no card";
        }
        session = Optional.of(new Session(file, seconds, card.size(file)));
        return "";
    }

    private String radio(Radio other) {
        if (!MODULATIONS.contains(other.modulation())) {
            return "it has the modulations " + String.join(" and ", MODULATIONS);
        }
        radio = other;
        return "";
    }
}
