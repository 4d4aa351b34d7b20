package verge.formats.reading;

import java.io.CharConversionException;
import java.io.IOException;
import java.io.InputStream;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.Consumer;
import javax.xml.stream.XMLInputFactory;
import javax.xml.stream.XMLStreamConstants;
import javax.xml.stream.XMLStreamException;
import javax.xml.stream.XMLStreamReader;
import verge.core.problem.Problem;
import verge.core.problem.SurveyException;

/**
 * Reads XML element by element. A document type of its own, which entities need, is refused: an office's file has none, and it is how a
 * file reaches out for others or swells to fill the memory.
 */
public final class Xml implements AutoCloseable {
    private static final int DEEPEST = 200;
    private static final int LONGEST_TEXT = 80_000_000;

    private final XMLStreamReader xml;
    private final Watch watch;
    private int depth;

    private Xml(XMLStreamReader xml, Watch watch) {
        this.xml = xml;
        this.watch = watch;
    }

    public static Xml open(InputStream bytes, Watch watch) {
        XMLInputFactory factory = XMLInputFactory.newDefaultFactory();
        factory.setProperty(XMLInputFactory.SUPPORT_DTD, false);
        factory.setProperty(XMLInputFactory.IS_SUPPORTING_EXTERNAL_ENTITIES, false);
        factory.setProperty(XMLInputFactory.IS_COALESCING, false);
        try {
            return new Xml(factory.createXMLStreamReader(bytes), watch);
        } catch (XMLStreamException broken) {
            throw watch.damaged("line 1");
        }
    }

    /**
     * Goes to the next beginning of an element, within the one whose depth is given.
     *
     * @return false at that element's end
     * @throws SurveyException FILE_DAMAGED or FILE_HAS_ENTITIES
     */
    public boolean nextWithin(int outer) throws IOException {
        while (true) {
            int event = step();
            if (event == XMLStreamConstants.START_ELEMENT) {
                return true;
            }
            if (event == XMLStreamConstants.END_DOCUMENT || event == XMLStreamConstants.END_ELEMENT && depth < outer) {
                return false;
            }
        }
    }

    private int step() throws IOException {
        try {
            if (!xml.hasNext()) {
                return XMLStreamConstants.END_DOCUMENT;
            }
            int event = xml.next();
            if (event == XMLStreamConstants.DTD || event == XMLStreamConstants.ENTITY_REFERENCE) {
                throw new SurveyException(Problem.FILE_HAS_ENTITIES, watch.fileName());
            }
            depth += event == XMLStreamConstants.START_ELEMENT ? 1 : event == XMLStreamConstants.END_ELEMENT ? -1 : 0;
            if (depth > DEEPEST) {
                throw watch.damaged(where() + ": elements lie more than " + DEEPEST + " deep");
            }
            return event;
        } catch (XMLStreamException | RuntimeException broken) {
            throw refused(broken);
        }
    }

    private SurveyException refused(Exception broken) throws IOException {
        if (broken instanceof SurveyException known) {
            return known;
        }
        if (broken.getCause() instanceof IOException io && !(io instanceof CharConversionException)) {
            throw io;
        }
        if (broken instanceof CharConversionException || broken.getCause() instanceof CharConversionException
                || String.valueOf(broken.getMessage()).contains("Invalid byte")) {
            return watch.notItsEncoding(Optional.ofNullable(xml.getCharacterEncodingScheme()).orElse("UTF-8"), where());
        }
        boolean entity = String.valueOf(broken.getMessage()).contains("entity \"");
        return entity ? new SurveyException(Problem.FILE_HAS_ENTITIES, watch.fileName()) : watch.damaged(where());
    }

    /** The depth of the element just begun: to be given to {@link #nextWithin} to go through what is in it. */
    public int depth() {
        return depth;
    }

    public String name() {
        return xml.getLocalName();
    }

    public Optional<String> attribute(String name) {
        return Optional.ofNullable(xml.getAttributeValue(null, name)).map(String::strip).filter(v -> !v.isEmpty());
    }

    public OptionalDouble number(String attribute) {
        return attribute(attribute).map(Figures::one).filter(Double::isFinite).map(OptionalDouble::of).orElse(OptionalDouble.empty());
    }

    /** The text of the element just begun, up to its end; what other elements in it say is passed over. */
    public String text() throws IOException {
        return text(element -> { });
    }

    /** The same, told of each element in it at its beginning. */
    public String text(Consumer<Xml> within) throws IOException {
        StringBuilder text = new StringBuilder();
        int own = depth;
        while (depth >= own) {
            int event = step();
            if (event == XMLStreamConstants.START_ELEMENT) {
                within.accept(this);
            } else if (event == XMLStreamConstants.CHARACTERS || event == XMLStreamConstants.CDATA) {
                text.append(xml.getTextCharacters(), xml.getTextStart(), xml.getTextLength());
                if (text.length() > LONGEST_TEXT) {
                    throw new SurveyException(Problem.FILE_TOO_MUCH, watch.fileName(), "letters in one element", LONGEST_TEXT);
                }
            } else if (event == XMLStreamConstants.END_DOCUMENT) {
                throw watch.damaged(where());
            }
        }
        return text.toString();
    }

    /** Passes over the element just begun. */
    public void skip() throws IOException {
        int own = depth;
        while (depth >= own) {
            if (step() == XMLStreamConstants.END_DOCUMENT) {
                return;
            }
        }
    }

    public String where() {
        return "line " + xml.getLocation().getLineNumber();
    }

    @Override
    public void close() {
        try {
            xml.close();
        } catch (XMLStreamException closed) {
            throw new IllegalStateException(closed);   // closing a reader of bytes in memory does not fail
        }
    }
}
