<?php

declare(strict_types=1);

namespace MintDoor\Platform\Repository;

use Doctrine\Persistence\ManagerRegistry;
use MintDoor\Platform\Entity\MailSecret;
use MintDoor\Shared\BaseRepository;
use MintDoor\Shared\Resealed;
use MintDoor\Shared\Reseals;
use MintDoor\Shared\Sealer;

/**
 * The password of the mail server. It is no setting: it is neither answered nor in a file nor in a version.
 *
 * @extends BaseRepository<MailSecret>
 */
final class MailSecrets extends BaseRepository implements Reseals
{
    protected const ENTITY = MailSecret::class;

    private const SEALED_FOR = 'mail-server';

    public function __construct(ManagerRegistry $managers, private readonly Sealer $sealer)
    {
        parent::__construct($managers);
    }

    public function kept(): bool
    {
        return null !== $this->find(MailSecret::ONE);
    }

    /** @return string empty where none is kept, or the secret of the platform does not open it any more */
    public function password(): string
    {
        return (string) $this->sealer->openText($this->find(MailSecret::ONE)?->sealed, self::SEALED_FOR);
    }

    /** @param string $password empty to keep none */
    public function keep(#[\SensitiveParameter] string $password): void
    {
        $kept = $this->find(MailSecret::ONE);
        if ('' === $password) {
            null === $kept || $this->remove($kept);
        } else {
            $sealed = $this->sealer->sealText($password, self::SEALED_FOR);
            null === $kept ? $this->add(new MailSecret($sealed)) : ($kept->sealed = $sealed);
        }
        $this->flush();
    }

    public function reseal(): Resealed
    {
        $kept = $this->find(MailSecret::ONE);
        $anew = null === $kept ? null : $this->sealer->resealedText($kept->sealed, self::SEALED_FOR);
        if (null !== $kept && null !== $anew) {
            $kept->sealed = $anew;
            $this->flush();
        }

        return new Resealed('mail passwords', null === $anew ? 0 : 1);
    }
}
