package verge.core.coding;

import java.math.BigInteger;
import java.util.Comparator;
import java.util.List;
import java.util.regex.MatchResult;
import java.util.regex.Pattern;

/** Orders names as people do: P9 before P10. Ties by plain text, so that the order is total. */
enum NaturalOrder implements Comparator<String> {
    INSTANCE;

    private static final Pattern RUN = Pattern.compile("\\d+|\\D+");

    @Override
    public int compare(String a, String b) {
        List<String> left = runs(a);
        List<String> right = runs(b);
        for (int i = 0; i < Math.min(left.size(), right.size()); i++) {
            int order = compareRuns(left.get(i), right.get(i));
            if (order != 0) {
                return order;
            }
        }
        int order = Integer.compare(left.size(), right.size());
        return order != 0 ? order : a.compareTo(b);
    }

    private static int compareRuns(String a, String b) {
        boolean numbers = Character.isDigit(a.charAt(0)) && Character.isDigit(b.charAt(0));
        return numbers ? new BigInteger(a).compareTo(new BigInteger(b)) : a.compareToIgnoreCase(b);
    }

    private static List<String> runs(String text) {
        return RUN.matcher(text).results().map(MatchResult::group).toList();
    }
}
