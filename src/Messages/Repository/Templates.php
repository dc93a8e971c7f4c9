<?php

declare(strict_types=1);

namespace MintDoor\Messages\Repository;

use Doctrine\DBAL\LockMode;
use MintDoor\Messages\Entity\MessageTemplate;
use MintDoor\Shared\BaseRepository;

/**
 * Words of messages that somebody changed, by kind, by whose they are, and by language.
 *
 * @extends BaseRepository<MessageTemplate>
 */
final class Templates extends BaseRepository
{
    protected const ENTITY = MessageTemplate::class;

    public function own(string $kind, string $of, string $language): ?MessageTemplate
    {
        return $this->find(['kind' => $kind, 'ofId' => $of, 'language' => $language]);
    }

    /** The same, so that nobody else changes it before the transaction ends. */
    public function locked(string $kind, string $of, string $language): ?MessageTemplate
    {
        return $this->find(['kind' => $kind, 'ofId' => $of, 'language' => $language], LockMode::PESSIMISTIC_WRITE);
    }
}
