package verge.app.fit;

import java.util.List;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.ui.Model;
import verge.core.geodesy.transformation.Matching;
import verge.core.units.Decimals;
import verge.core.units.Figures;
import verge.core.units.Length;

/** Matchings that can be taken, and doubts about them, in words. */
record ProposalsView(List<Proposed> proposals, boolean weak, int most, boolean mirrored, String scale) {
    /**
     * A matching that can be taken.
     *
     * @param lines its pairs as they would be typed
     * @param shown the same in a row
     * @param agree how many fit and how well
     * @param moved found marks near a computed one
     */
    record Proposed(String lines, String shown, String agree, String moved) {
        static Proposed of(Matching.Proposal proposal, Figures f) {
            String lines = Stream.concat(proposal.pairs().stream().map(p -> p.computed().name() + " = " + p.found().name()),
                    proposal.moved().stream().map(p -> p.computed().name() + " = " + p.found().name() + " (out)"))
                    .collect(Collectors.joining("\n"));
            return new Proposed(lines, lines.replace("\n", ", "), proposal.pairs().size() + " agree within "
                    + f.small(new Length(proposal.rms())), proposal.moved().stream()
                    .map(p -> p.found().name() + " lies near " + p.computed().name() + " and does not agree")
                    .collect(Collectors.joining("; ")));
        }
    }

    static ProposalsView of(Proposals found, Figures f) {
        return new ProposalsView(found.likeliest().stream().map(p -> Proposed.of(p, f)).toList(), found.weak(), found.most(),
                found.mirrored(), found.scale().isPresent() ? Decimals.print(found.scale().getAsDouble(), 4) : "");
    }

    /** As the fragment wants it. */
    void put(Model model) {
        model.addAttribute("proposals", proposals);
        model.addAttribute("weak", weak);
        model.addAttribute("most", most);
        model.addAttribute("mirrored", mirrored);
        model.addAttribute("scale", scale);
    }
}
