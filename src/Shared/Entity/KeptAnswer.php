<?php

declare(strict_types=1);

namespace MintDoor\Shared\Entity;

use Doctrine\ORM\Mapping as ORM;
use MintDoor\Shared\Charset;

/**
 * What was answered to a request that changed something, kept for the same request sent again. Written by
 * `Transaction`: taking the row is a lock.
 */
#[ORM\Entity(readOnly: true)]
#[ORM\Table(name: 'idempotency')]
#[ORM\Index(name: 'made', columns: ['made_at'])]
class KeptAnswer
{
    public function __construct(
        #[ORM\Id] #[ORM\Column(type: 'id')] public readonly string $personId,
        /** As the caller sent it. */
        #[ORM\Id] #[ORM\Column(length: 64, options: Charset::CODE)] public readonly string $id,
        #[ORM\Column(type: 'bytes', length: 32, options: ['fixed' => true])] public readonly string $bodyHash,
        #[ORM\Column(type: 'instant')]
        public readonly int $madeAt,
        #[ORM\Column(type: 'smallint', nullable: true)] public readonly ?int $status = null,
        #[ORM\Column(length: 32, nullable: true, options: Charset::CODE)] public readonly ?string $etag = null,
        /** Sealed. */
        #[ORM\Column(type: 'text', length: 16_777_215, nullable: true)] public readonly ?string $answer = null,
    ) {}
}
