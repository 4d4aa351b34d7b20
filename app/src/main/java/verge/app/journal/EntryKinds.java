package verge.app.journal;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.stereotype.Component;
import verge.core.journal.Payload;

/** All kinds of entry that there are, each as its capability knows it. */
@Component
public class EntryKinds {
    private final Map<Class<?>, EntryKind<?>> byType;
    private final Map<String, EntryKind<?>> byName;

    EntryKinds(List<EntryKind<?>> kinds) {
        byType = kinds.stream().collect(Collectors.toUnmodifiableMap(EntryKind::type, Function.identity()));
        byName = kinds.stream().collect(Collectors.toUnmodifiableMap(EntryKind::name, Function.identity()));
    }

    @SuppressWarnings("unchecked")
    <P extends Payload> EntryKind<P> of(P payload) {
        return (EntryKind<P>) Optional.ofNullable(byType.get(payload.getClass()))
                .orElseThrow(() -> new IllegalArgumentException(payload.getClass().getName()));
    }

    /** The name under which what a class says is stored. */
    String name(Class<? extends Payload> type) {
        return Optional.ofNullable(byType.get(type)).orElseThrow(() -> new IllegalArgumentException(type.getName())).name();
    }

    /** The kind that is stored under a name. */
    Optional<EntryKind<?>> named(String name) {
        return Optional.ofNullable(byName.get(name));
    }

    Stream<EntryKind<?>> all() {
        return byName.values().stream();
    }
}
