package verge.core.check;

import java.util.Locale;

/** Whether two files are perhaps one and the same in two versions, by their names. */
final class NamesAlike {
    private static final int LONGEST_COMPARED = 60;
    private static final int SHORTEST_COMPARED = 5;
    private static final int LONG = 10;

    private NamesAlike() {
    }

    /** Whether two files' names differ by no more than case, separators, a word for 'copy' or 'new', or one or two letters. */
    static boolean alike(String a, String b) {
        String left = plain(a);
        String right = plain(b);
        return left.equals(right) || Math.min(left.length(), right.length()) >= SHORTEST_COMPARED
                && edits(left, right) <= (Math.min(left.length(), right.length()) >= LONG ? 2 : 1);
    }

    private static String plain(String name) {
        String stem = name.contains(".") ? name.substring(0, name.lastIndexOf('.')) : name;
        return stem.toLowerCase(Locale.ROOT).replaceAll("(copy|new|old|final|rev|version)", "")
                .replaceAll("[^\\p{L}\\p{N}]|\\(\\d+\\)", "");
    }

    /** Letters to change, add or drop to make one text of another (Levenshtein). */
    private static int edits(String a, String b) {
        String x = a.substring(0, Math.min(a.length(), LONGEST_COMPARED));
        String y = b.substring(0, Math.min(b.length(), LONGEST_COMPARED));
        int[] row = new int[y.length() + 1];
        for (int j = 0; j <= y.length(); j++) {
            row[j] = j;
        }
        for (int i = 1; i <= x.length(); i++) {
            int diagonal = row[0];
            row[0] = i;
            for (int j = 1; j <= y.length(); j++) {
                int change = diagonal + (x.charAt(i - 1) == y.charAt(j - 1) ? 0 : 1);
                diagonal = row[j];
                row[j] = Math.min(change, 1 + Math.min(row[j], row[j - 1]));
            }
        }
        return row[y.length()];
    }
}
