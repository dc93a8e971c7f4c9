<?php

declare(strict_types=1);

namespace MintDoor\Accounts;

use MintDoor\Core\Platform\Levels;
use Symfony\Component\Validator\Constraints as Assert;

/** Somebody who would like an account. */
final readonly class RegisterRequest
{
    /** Lower case, as addresses are stored. */
    #[Assert\Email(message: 'accounts.register-address')]
    #[Assert\NotBlank(message: 'accounts.register-address')]
    #[Assert\Length(max: 190, maxMessage: 'accounts.register-address')]
    public string $email;

    public function __construct(
        #[Assert\Length(max: 32, maxMessage: 'shared.no-such-division')] public string $division,
        #[Assert\Length(max: 80, maxMessage: 'doors.shorten-given-name-80')] public string $given,
        #[Assert\Length(max: 80, maxMessage: 'doors.shorten-family-name-80')] public string $family,
        string $email,
        #[Assert\Length(max: 40, maxMessage: 'accounts.register-number')] public string $number = '',
        #[Assert\Range(
            notInRangeMessage: 'shared.levels-go-1-40',
            min: 1,
            max: Levels::HIGHEST
        )] public ?int $level = null,
        #[\SensitiveParameter]
        #[Assert\Length(max: 120, maxMessage: 'accounts.register-code')]
        public string $code = '',
    ) {
        $this->email = mb_strtolower(trim($email));
    }
}
