<?php

declare(strict_types=1);

namespace MintDoor\Tests\Core\Accounts;

use MintDoor\Core\Accounts\PasswordRule;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

final class PasswordRuleTest extends TestCase
{
    #[TestWith(['short', 'too-short'])]
    #[TestWith(['elevenchars', 'too-short'])]
    #[TestWith(['passwordpassword', 'common'])]
    #[TestWith(['Password123!!!', 'common'])]
    #[TestWith(['111111111111', 'common'])]
    #[TestWith(['123456123456', 'common'])]
    #[TestWith(['abcabcabcabc', 'common'])]
    #[TestWith(['yara.brandvold', 'own'])]
    #[TestWith(['Brandvold2026', 'own'])]
    #[TestWith(['Yára-Brandvold', 'own'])]
    #[TestWith(['yara brandvold x', 'own'])]
    #[TestWith(['4711001brandvold', 'own'])]
    #[TestWith(['yara likes the cello', null])]
    #[TestWith(['reed amber cobalt fern', null])]
    #[TestWith(['一二三四五六七八九十百千', null])]
    #[TestWith(['alder-quay-demo', null])]
    public function testWhatAPasswordMustBe(string $password, ?string $problem): void
    {
        $own = ['Yara', 'Brandvold', 'yara.brandvold', 'yara@example.org', '4711001'];
        self::assertSame($problem, PasswordRule::problem($password, $own));
    }

    public function testItHasAnEnd(): void
    {
        self::assertSame('too-long', PasswordRule::problem(str_repeat('word and ', 30), []));
    }
}
