package verge.app.support;

import org.springframework.context.support.ResourceBundleMessageSource;

/** The application's words, for tests that run without it. */
public final class Words {
    private Words() {
    }

    public static ResourceBundleMessageSource bundle() {
        ResourceBundleMessageSource messages = new ResourceBundleMessageSource();
        messages.setBasename("messages");
        messages.setDefaultEncoding("UTF-8");
        return messages;
    }
}
