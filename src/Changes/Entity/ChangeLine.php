<?php

declare(strict_types=1);

namespace MintDoor\Changes\Entity;

use Doctrine\ORM\Mapping as ORM;
use MintDoor\Roster\Entity\EnrollmentRecord;
use MintDoor\Shared\Charset;

/**
 * One line of a change list as it was applied, with what it takes to undo it. Written by `ChangeStore`, many rows at
 * once.
 */
#[ORM\Entity]
#[ORM\Table(name: 'change_line')]
#[ORM\UniqueConstraint(columns: ['change_list_id', 'position'])]
#[ORM\Index(columns: ['site_id', 'person_id'])]
class ChangeLine
{
    public function __construct(
        #[ORM\Id] #[ORM\Column(type: 'id')] public readonly string $id,
        #[ORM\ManyToOne]
        #[ORM\JoinColumn(nullable: false)]
        public readonly ChangeList $changeList,
        #[ORM\Column] public readonly int $position,
        #[ORM\ManyToOne]
        #[ORM\JoinColumn(name: 'site_id', referencedColumnName: 'site_id', nullable: false)]
        #[ORM\JoinColumn(name: 'person_id', referencedColumnName: 'person_id', nullable: false)]
        public readonly EnrollmentRecord $enrollment,
        #[ORM\Column(length: 16, options: Charset::CODE)]
        public readonly string $verb,
        #[ORM\Column(length: 16, options: Charset::CODE)]
        public readonly string $verdict,
        /** @var array<array-key, mixed> */
        #[ORM\Column(name: 'state_before', type: 'json')] public readonly array $before,
        /** @var array<array-key, mixed> */
        #[ORM\Column(name: 'state_after', type: 'json')] public readonly array $after,
        /** @var array<string, mixed> */
        #[ORM\Column(type: 'json')] public readonly array $notes,
        /** @var list<array<string, mixed>> what was done, as `Core\Changes\Effect`s */
        #[ORM\Column(type: 'json')] public readonly array $effects,
        /** The enrollment's version after it was applied: the order of its lines. */
        #[ORM\Column] public readonly int $versionAfter,
        /** The line it took back. */
        #[ORM\ManyToOne(targetEntity: self::class)]
        #[ORM\JoinColumn(name: 'undoes')]
        public readonly ?self $undoes = null,
    ) {}
}
