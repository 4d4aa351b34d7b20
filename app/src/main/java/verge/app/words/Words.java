package verge.app.words;

import java.text.MessageFormat;
import java.util.Arrays;
import java.util.Locale;
import java.util.ResourceBundle;

/**
 * What is said on benches and of doubts. The words stand with all others in messages.properties, under a key; here they take what they tell
 * of.
 */
public final class Words {
    private static final ResourceBundle MESSAGES = ResourceBundle.getBundle("messages", Locale.ROOT);

    private Words() {
    }

    /**
     * @param key in messages.properties; one that is missing is a mistake of the program's, not of a person's
     * @param arguments what {0} and so on stand for, as they are to be read: figures come with their decimals and unit
     */
    public static String of(String key, Object... arguments) {
        return new MessageFormat(MESSAGES.getString(key), Locale.ENGLISH)
                .format(Arrays.stream(arguments).map(String::valueOf).toArray());
    }
}
