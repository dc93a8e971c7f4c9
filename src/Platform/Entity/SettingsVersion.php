<?php

declare(strict_types=1);

namespace MintDoor\Platform\Entity;

use Doctrine\ORM\Mapping as ORM;

/**
 * The settings of the platform as somebody put them in force; the highest version holds, the others are kept. What is
 * in use of it stands in tables of its own, too.
 */
#[ORM\Entity(readOnly: true)]
#[ORM\Table(name: 'settings_version')]
class SettingsVersion
{
    public function __construct(
        #[ORM\Id] #[ORM\Column] public readonly int $version,
        #[ORM\Column(type: 'instant')]
        public readonly int $madeAt,
        /** Id of a person; null for what was there before anybody set it. */
        #[ORM\Column(type: 'id', nullable: true)] public readonly ?string $madeBy,
        /** @var array<string, mixed> `SettingsCodec` */
        #[ORM\Column(type: 'json')] public readonly array $settings,
    ) {}
}
