<?php

declare(strict_types=1);

namespace MintDoor\History;

use MintDoor\Shared\Id;
use Symfony\Component\Validator\Constraints as Assert;

final readonly class HistoryFilter
{
    public function __construct(
        /** Words of the name of whoever did it, or of whom it was done to. */
        #[Assert\Length(max: 200, maxMessage: 'shared.look-less-200-characters')] public ?string $q = null,
        #[Assert\Choice(callback: [self::class, 'codes'], message: 'history.no-such-entries')]
        public ?string $code = null,
        #[Assert\Date(message: 'shared.write-first-day-year')]
        public ?string $from = null,
        #[Assert\Date(message: 'shared.write-last-day-year')]
        public ?string $until = null,
        /** Whom it was done to, by id. */
        #[Assert\Regex('/^'.Id::PATTERN.'$/D', message: 'history.no-such-person')] public ?string $person = null,
        public ?string $cursor = null,
    ) {}

    /** @return non-empty-list<string> */
    public static function codes(): array
    {
        return [
            'let-in',
            'change-role',
            'remove',
            'bring-back',
            'pause',
            'resume',
            'change-dates',
            'block',
            'unblock',
            'clear-role',
            'clear-dates',
            'change-sections',
            'put-in-section',
            'clear-sections',
            'sections-changed',
            'hours-changed',
            'plan-set',
            'plan-drawn',
            'plan-dropped',
            'plan-back',
            'split-made',
            'split-changed',
            'split-dropped',
            'split-back',
            'group-moved',
            'cohort-made',
            'cohort-changed',
            'cohort-people',
            'cohort-put-away',
            'cohort-connected',
            'cohort-link-changed',
            'cohort-ended',
            'cohort-agreed',
            'carry-in',
            'carry-out',
            'carry-back',
            'sites-merged',
            'site-merged',
            'site-term',
            'sites-unmerged',
            'site-unmerged',
            'sections-taken-out',
            'sections-came',
            'sections-back',
            'sections-gone-back',
            'items-shown',
            'visibilities-named',
            'come-in',
            'brought',
            'taken-out',
            'belongs-too',
            'belongs-less',
            'wait',
            'invite',
            'invited',
            'moved-up',
            'leave',
            'lapse',
            'release',
            'door-made',
            'door-changed',
            'door-opened',
            'door-shut',
            'door-key-renewed',
            'undo',
            'label-on',
            'label-off',
            'site-made',
            'site-taken-back',
            'password-reset',
            'account-opened',
            'account-closed',
            'sessions-ended',
            'site-changed',
            'site-open',
            'site-closed',
            'site-draft',
            'account-made',
            'account-taken-back',
            'administrator-named',
            'password-link',
            'password-wanted',
            'person-changed',
            'details-changed',
            'person-erased',
            'person-exported',
            'rules-changed',
            'settings-changed',
            'division-moved',
            'person-moved',
            'site-moved',
            'mail-password-kept',
            'mail-tried',
            'registration-code-kept',
            'registration-refused',
            'template-changed',
            'merged',
            'unmerged',
            'approve',
            'decline',
        ];
    }
}
