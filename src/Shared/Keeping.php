<?php

declare(strict_types=1);

namespace MintDoor\Shared;

/** For how long things are kept, as the rules of the platform have it. */
final readonly class Keeping
{
    public function __construct(
        public int $now,
        /** Answers to requests that were made before this instant are kept no more. */
        public int $answersFrom,
        /** What messages said, and to where. */
        public int $messagesFrom,
        /** Network addresses. */
        public int $addressesFrom,
        /** Seconds without a request after which a session is over. */
        public int $sessionsLast,
    ) {}
}
