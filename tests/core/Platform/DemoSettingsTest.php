<?php

declare(strict_types=1);

namespace MintDoor\Tests\Core\Platform;

use MintDoor\Core\Platform\SettingsLaws;
use MintDoor\Core\Platform\SettingsUse;
use MintDoor\Core\Platform\Term;
use MintDoor\Core\Roles\RuleLaws;
use MintDoor\Demo\DemoSettings;
use PHPUnit\Framework\TestCase;

/** What the demo is made of keeps the laws that any platform's settings keep. */
final class DemoSettingsTest extends TestCase
{
    public function testTheyKeepTheLaws(): void
    {
        $demo = DemoSettings::read();
        $use = new SettingsUse(roles: $demo->rules->roles->known());
        self::assertSame([], SettingsLaws::check($demo->settings, $demo->settings, $use, ['en']));
        $divisions = array_column($demo->settings->divisions->all(), 'code');
        self::assertSame([], RuleLaws::check($demo->rules, $demo->rules, [], $divisions));
    }

    public function testWeekTwelveIsAlwaysThisOne(): void
    {
        $monday = (int) strtotime('2031-03-03 UTC');
        $terms = DemoSettings::read()->from(DemoSettings::firstDay($monday))->settings->terms;
        self::assertEquals(new Term('autumn-2030', 'Autumn 2030', '2030-12-16', '2031-03-28'), $terms[0]);
        self::assertSame(77, (new \DateTimeImmutable($terms[0]->startsOn))->diff(
            new \DateTimeImmutable('2031-03-03'),
        )->days);
        self::assertCount(3, array_unique(array_column($terms, 'code')));
    }
}
