<?php

declare(strict_types=1);

namespace MintDoor\Groups\Repository;

use Doctrine\DBAL\LockMode;
use MintDoor\Groups\Entity\GroupSplit;
use MintDoor\Roster\Entity\Section;
use MintDoor\Shared\BaseRepository;
use MintDoor\Sites\Entity\Site;

/** @extends BaseRepository<GroupSplit> */
final class Splits extends BaseRepository
{
    protected const ENTITY = GroupSplit::class;

    /** @return list<GroupSplit> in their order */
    public function of(string $site): array
    {
        return $this->findBy(['site' => $site, 'putAwayAt' => null], ['place' => 'ASC', 'id' => 'ASC']);
    }

    /** @return list<GroupSplit> those put away, the last first */
    public function awayOf(string $site): array
    {
        $away = array_filter(
            $this->findBy(['site' => $site], ['putAwayAt' => 'DESC']),
            static fn(GroupSplit $split): bool => null !== $split->putAwayAt,
        );

        return array_values($away);
    }

    /** Also one that was put away. */
    public function one(string $site, string $id): ?GroupSplit
    {
        return $this->findOneBy(['id' => $id, 'site' => $site]);
    }

    /** One that is there, and not put away. */
    public function there(string $site, string $id): ?GroupSplit
    {
        return $this->findOneBy(['id' => $id, 'site' => $site, 'putAwayAt' => null]);
    }

    /** Nobody else changes it, or who is in its groups, before this transaction ends. */
    public function locked(string $site, string $id): ?GroupSplit
    {
        return null === $this->one($site, $id) ? null : $this->find($id, LockMode::PESSIMISTIC_WRITE);
    }

    /** @param ?string $section id of one of the site's */
    public function make(string $id, string $site, string $name, ?string $section): GroupSplit
    {
        $made = new GroupSplit(
            $id,
            $this->reference(Site::class, $site),
            $name,
            $this->reference(Section::class, $section),
        );
        $this->add($made);

        return $made;
    }
}
