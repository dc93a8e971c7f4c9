<?php

declare(strict_types=1);

namespace MintDoor\Messages\Repository;

use Doctrine\DBAL\LockMode;
use MintDoor\Messages\Entity\MessageTemplate;
use MintDoor\Shared\BaseRepository;

/**
 * Words of messages that somebody changed, by kind and by whose they are.
 *
 * @extends BaseRepository<MessageTemplate>
 */
final class Templates extends BaseRepository
{
    protected const ENTITY = MessageTemplate::class;

    public function own(string $kind, string $of): ?MessageTemplate
    {
        return $this->find(['kind' => $kind, 'ofId' => $of]);
    }

    /** The same, so that nobody else changes it before the transaction ends. */
    public function locked(string $kind, string $of): ?MessageTemplate
    {
        return $this->find(['kind' => $kind, 'ofId' => $of], LockMode::PESSIMISTIC_WRITE);
    }
}
