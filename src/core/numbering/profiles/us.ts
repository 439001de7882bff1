import type { Profile } from '../profile';
import { areasOf, busy, dialling, fiction, ringback, starCodes } from './nanp';

/** Area codes with a city or two of each. Source: NANPA's list, from memory; tested to be complete against google-libphonenumber. */
const areas = areasOf(`
AL 205 Birmingham,Tuscaloosa|251 Mobile|256 Huntsville|334 Montgomery|659 Birmingham|938 Huntsville
AK 907 Anchorage,Juneau
AZ 480 Mesa,Scottsdale|520 Tucson|602 Phoenix|623 Glendale AZ|928 Flagstaff,Yuma
AR 327 Jonesboro|479 Fort Smith|501 Little Rock|870 Jonesboro
CA 209 Stockton|213 Los Angeles|279 Sacramento|310 Santa Monica,Torrance|323 Los Angeles|341 Oakland|350 Stockton|369 Santa Rosa|408 San Jose|415 San Francisco,Sausalito|424 Santa Monica|442 Oceanside|510 Oakland,Berkeley|530 Redding,Chico|559 Fresno|562 Long Beach|619 San Diego|626 Pasadena|628 San Francisco|650 Palo Alto|657 Anaheim|661 Bakersfield|669 San Jose|707 Santa Rosa,Eureka|714 Anaheim|738 Los Angeles|747 Burbank|760 Oceanside|805 Santa Barbara|818 Burbank|820 Santa Barbara|831 Monterey,Santa Cruz|840 San Bernardino|858 La Jolla|909 San Bernardino|916 Sacramento|925 Concord|949 Irvine|951 Riverside
CO 303 Denver|719 Colorado Springs|720 Denver|748 Fort Collins|970 Fort Collins|983 Denver
CT 203 New Haven,Bridgeport|475 New Haven|860 Hartford|959 Hartford
DC 202 Washington|771 Washington
DE 302 Wilmington,Dover
FL 239 Naples|305 Miami,Key West|321 Melbourne FL|324 Jacksonville|352 Gainesville|386 Daytona Beach|407 Orlando|448 Tallahassee|561 West Palm Beach|645 Miami|656 Tampa|689 Orlando|727 St. Petersburg|728 West Palm Beach|754 Fort Lauderdale|772 Port St. Lucie|786 Miami|813 Tampa|850 Tallahassee,Pensacola|863 Lakeland|904 Jacksonville|941 Sarasota|954 Fort Lauderdale
GA 229 Albany GA|404 Atlanta|470 Atlanta|478 Macon|678 Atlanta|706 Augusta,Athens|762 Augusta|770 Marietta|912 Savannah|943 Atlanta
HI 808 Honolulu,Hilo
IA 319 Cedar Rapids|515 Des Moines|563 Davenport|641 Mason City|712 Sioux City
ID 208 Boise|986 Boise
IL 217 Springfield|224 Evanston|309 Peoria|312 Chicago|331 Aurora|447 Springfield|464 Cicero|618 Carbondale|630 Aurora|708 Cicero|730 Carbondale|773 Chicago|779 Rockford|815 Rockford|847 Evanston|872 Chicago
IN 219 Gary|260 Fort Wayne|317 Indianapolis|463 Indianapolis|574 South Bend|765 Muncie|812 Evansville|930 Evansville
KS 316 Wichita|620 Dodge City|785 Topeka|913 Kansas City KS
KY 270 Bowling Green|364 Bowling Green|502 Louisville|606 Ashland|859 Lexington
LA 225 Baton Rouge|318 Shreveport|337 Lafayette|504 New Orleans|985 Houma
MA 339 Lynn|351 Lowell|413 Springfield MA|508 Worcester,New Bedford|617 Boston,Cambridge|774 Worcester|781 Lynn|857 Boston|978 Lowell,Gloucester
MD 227 Silver Spring|240 Frederick|301 Frederick|410 Baltimore,Annapolis|443 Baltimore|667 Baltimore
ME 207 Portland ME,Rockland
MI 231 Traverse City,Muskegon|248 Troy|269 Kalamazoo|313 Detroit|517 Lansing|586 Warren|616 Grand Rapids|734 Ann Arbor|810 Flint|906 Marquette|947 Troy|989 Saginaw
MN 218 Duluth|320 St. Cloud|507 Rochester MN|612 Minneapolis|651 St. Paul|763 Brooklyn Park|952 Bloomington
MO 235 Columbia|314 St. Louis|417 Springfield MO|557 St. Louis|573 Columbia|636 St. Charles|660 Sedalia|816 Kansas City|975 Kansas City
MS 228 Gulfport|601 Jackson|662 Tupelo|769 Jackson
MT 406 Billings,Missoula
NC 252 Greenville NC|336 Greensboro|472 Wilmington NC|704 Charlotte|743 Greensboro|828 Asheville|910 Wilmington NC|919 Raleigh|980 Charlotte|984 Raleigh
ND 701 Fargo
NE 308 Grand Island|402 Omaha,Lincoln|531 Omaha
NH 603 Portsmouth,Manchester
NJ 201 Jersey City|551 Jersey City|609 Atlantic City,Trenton|640 Trenton|732 Toms River|848 Toms River|856 Camden|862 Newark|908 Elizabeth|973 Newark
NM 505 Albuquerque|575 Las Cruces
NV 702 Las Vegas|725 Las Vegas|775 Reno
NY 212 New York|315 Syracuse|329 Poughkeepsie|332 New York|347 Brooklyn|363 Hempstead|516 Hempstead|518 Albany|585 Rochester|607 Ithaca|631 Montauk|646 New York|680 Syracuse|716 Buffalo|718 Brooklyn|838 Albany|845 Poughkeepsie|914 Yonkers|917 New York|929 Brooklyn|934 Montauk
OH 216 Cleveland|220 Newark OH|234 Akron|283 Cincinnati|326 Dayton|330 Akron|380 Columbus|419 Toledo,Sandusky|440 Lorain|513 Cincinnati|567 Toledo|614 Columbus|740 Newark OH|937 Dayton
OK 405 Oklahoma City|539 Tulsa|572 Oklahoma City|580 Lawton|918 Tulsa
OR 458 Eugene|503 Portland,Astoria|541 Eugene,Newport OR|971 Portland
PA 215 Philadelphia|223 Harrisburg|267 Philadelphia|272 Scranton|412 Pittsburgh|445 Philadelphia|484 Allentown|570 Scranton|582 Erie|610 Allentown|717 Harrisburg|724 Greensburg|814 Erie|835 Allentown|878 Pittsburgh
RI 401 Providence,Newport
SC 803 Columbia SC|821 Greenville|839 Columbia SC|843 Charleston|854 Charleston|864 Greenville
SD 605 Sioux Falls
TN 423 Chattanooga|615 Nashville|629 Nashville|731 Jackson TN|865 Knoxville|901 Memphis|931 Clarksville
TX 210 San Antonio|214 Dallas|254 Waco|281 Houston|325 Abilene|346 Houston|361 Corpus Christi|409 Galveston|430 Tyler|432 Midland|469 Dallas|512 Austin|682 Fort Worth|713 Houston|726 San Antonio|737 Austin|806 Lubbock|817 Fort Worth|830 New Braunfels|832 Houston|903 Tyler|915 El Paso|936 Conroe|940 Denton|945 Dallas|956 Laredo|972 Dallas|979 College Station
UT 385 Salt Lake City|435 St. George|801 Salt Lake City
VA 276 Bristol|434 Lynchburg|540 Roanoke|571 Arlington|686 Richmond|703 Arlington|757 Norfolk|804 Richmond|826 Roanoke|948 Norfolk
VT 802 Burlington
WA 206 Seattle,Bainbridge Island|253 Tacoma|360 Bellingham,Olympia,Port Townsend,Vancouver WA|425 Bellevue,Everett|509 Spokane,Yakima,Walla Walla|564 Bellingham,Olympia
WI 262 Kenosha|274 Green Bay|353 Madison|414 Milwaukee|534 Eau Claire|608 Madison|715 Eau Claire|920 Green Bay
WV 304 Charleston WV|681 Charleston WV
WY 307 Cheyenne
`);

export const us: Profile = {
  country: 'US',
  name: 'United States',
  callingCode: '1',
  emergency: ['911'],
  ringback,
  busy,
  currency: 'USD',
  areaWord: 'area code',
  timeZone: 'America/Los_Angeles',
  starCodes,
  dialling,
  address: {
    region: 'State',
    postalCode: 'ZIP code',
    postalPattern: /^\d{5}(-\d{4})?$/,
    needed: ['HNO', 'RD', 'A3', 'A1', 'PC'],
  },
  textable: ['geographic', 'toll-free'],
  textingApproval: true,
  areas,
  fiction: [
    ...areas.map(({ code, places }) => fiction(code, places)),
    fiction('800', ['Toll-free'], 'toll-free'),
    fiction('888', ['Toll-free'], 'toll-free'),
  ],
};
