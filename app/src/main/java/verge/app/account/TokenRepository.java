package verge.app.account;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;

interface TokenRepository extends JpaRepository<PersonalToken, UUID> {
    Optional<PersonalToken> findByDigest(String digest);

    List<PersonalToken> findByAccountOrderByMadeAt(String account);

    void deleteByAccount(String account);

    void deleteByIdAndAccount(UUID id, String account);
}
