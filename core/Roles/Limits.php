<?php

declare(strict_types=1);

namespace MintDoor\Core\Roles;

/** How much of something there may be, for the whole platform. */
final readonly class Limits
{
    /** No change list is longer, whatever the platform has set. */
    public const LONGEST_LIST = 100_000;

    /**
     * @param int $seats        the most seats a site may be given
     * @param int $leads        leads of a site that has no limit of its own
     * @param int $changeList        lines of a change list
     * @param int $removalFew   so many, and fewer, may be removed at once without being asked
     * @param int $careHome     hours after which who let somebody in may look after their account, within division and
     *        levels
     * @param int $careBeyond   the same beyond them
     * @param int $mailOutside  messages a day from one sender to addresses the directory does not know
     * @param int $mailAgain    times one message or invitation is sent again, a day
     * @param int $mailPerson   messages one person or address gets a day, of whatever kind
     * @param int $passwordLinks links to set a password one sender has sent a day
     * @param int $lookups      numbers and addresses an hour one looks up that find nobody, or somebody hidden
     * @param int $cardDays     days a sign-in card holds, unless its maker says otherwise
     * @param int $keepMessages days for which texts of messages are kept
     * @param int $keepAddresses days for which network addresses are kept in history and security log
     * @param int $keepAnswers  hours for which the answer to a repeated call is kept
     * @param int $archiveAfter whole terms after which closed sites leave the lists
     * @param int $removalShare per cent of a site; more than this share, and more than few, wants the number typed
     */
    public function __construct(
        public int $seats = 100_000,
        public int $leads = 10,
        public int $changeList = 10_000,
        public int $removalFew = 5,
        public int $removalShare = 20,
        public int $careHome = 24,
        public int $careBeyond = 168,
        public int $mailOutside = 500,
        public int $mailAgain = 3,
        public int $mailPerson = 20,
        public int $passwordLinks = 60,
        public int $lookups = 300,
        public int $cardDays = 14,
        public int $keepMessages = 365,
        public int $keepAddresses = 180,
        public int $keepAnswers = 24,
        public int $archiveAfter = 3,
    ) {}

    /** Whether removing so many of so many who are here wants the number typed. */
    public function manyRemoved(int $people, int $here): bool
    {
        return $people > $this->removalFew && 100 * $people > $this->removalShare * $here;
    }
}
