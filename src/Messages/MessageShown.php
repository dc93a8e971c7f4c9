<?php

declare(strict_types=1);

namespace MintDoor\Messages;

use MintDoor\Shared\Somebody;
use MintDoor\Sites\SiteName;

/** Schema `Message`. */
final readonly class MessageShown
{
    /**
     * @param string    $to         address
     * @param ?string   $changeList id
     * @param string    $text       without its link, which is the person's alone
     * @param ?string   $madeAt     instant
     * @param ?string   $sentAt     instant
     * @param ?string   $by         name; null for what they asked for themselves
     * @param ?string   $reason     what the server said
     * @param ?int      $waits      seconds until it goes or is tried again
     */
    public function __construct(
        public string $id,
        public string $kind,
        public string $state,
        public ?Somebody $person,
        public string $to,
        public ?SiteName $site,
        public ?string $changeList,
        public string $subject,
        public string $text,
        public ?string $madeAt,
        public ?string $sentAt,
        public ?string $by,
        public int $tries,
        public ?string $reason,
        public ?int $waits,
    ) {}
}
